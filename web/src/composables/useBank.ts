// Sampled tones of two instruments, fetched when something is first played on them. Between the tones that ship, a neighbour is
// played faster or slower. Where they cannot be had, plain tones stand in.
export type Instrument = 'piano' | 'bars' | 'plain'

const STEP = 6
const SHIPPED: Record<Exclude<Instrument, 'plain'>, readonly [number, number]> = {
  piano: [45, 87],
  bars: [57, 93],
}
const loaded = new Map<Instrument, Promise<Map<number, AudioBuffer> | null>>()
const PATIENCE = 2500 // milliseconds until plain tones begin instead

export function shippedTones(instrument: Exclude<Instrument, 'plain'>): number[] {
  const [first, last] = SHIPPED[instrument]
  return Array.from({ length: (last - first) / STEP + 1 }, (_, n) => first + n * STEP)
}

/** The shipped tone nearest to one, and how much faster it has to be played. */
export function nearest(
  instrument: Exclude<Instrument, 'plain'>,
  midi: number,
): { tone: number; rate: number } {
  const tone = shippedTones(instrument).reduce((best, one) =>
    Math.abs(one - midi) < Math.abs(best - midi) ? one : best,
  )
  return { tone, rate: 2 ** ((midi - tone) / 12) }
}

async function fetched(
  context: BaseAudioContext,
  instrument: Exclude<Instrument, 'plain'>,
): Promise<Map<number, AudioBuffer> | null> {
  try {
    const found = await Promise.all(
      shippedTones(instrument).map(async (tone) => {
        const answer = await fetch(`/sounds/${instrument}-${tone}.wav`)
        if (!answer.ok) throw new Error(answer.statusText)
        return [tone, await context.decodeAudioData(await answer.arrayBuffer())] as const
      }),
    )
    return new Map(found)
  } catch {
    loaded.delete(instrument) // asked for again next time; until then plain tones
    return null
  }
}

/** The tones of an instrument; null for plain ones, where they cannot be had, or not soon enough. */
export async function bank(
  context: BaseAudioContext,
  instrument: Instrument,
): Promise<Map<number, AudioBuffer> | null> {
  if (instrument === 'plain') return null
  if (!loaded.has(instrument)) loaded.set(instrument, fetched(context, instrument))
  const late = new Promise<null>((tell) => window.setTimeout(() => tell(null), PATIENCE))
  return Promise.race([loaded.get(instrument) ?? null, late])
}
