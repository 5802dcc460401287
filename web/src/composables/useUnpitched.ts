// Sounds of unpitched families, made by us on the spot: noise and a few partials, nothing fetched.
export type Voice =
  'shaken' | 'scraped' | 'struck wood' | 'skin' | 'metal' | 'barred' | 'body' | 'speech'

interface Partial {
  hertz: number
  level: number
  seconds: number
  /** Falls to this share of its pitch, as a skin does. */
  falls?: number
}
interface Noise {
  from: number
  level: number
  seconds: number
  strokes?: number
}
const MADE: Record<Voice, { partials?: Partial[]; noise?: Noise }> = {
  shaken: { noise: { from: 5200, level: 0.35, seconds: 0.09 } },
  scraped: { noise: { from: 2600, level: 0.3, seconds: 0.22, strokes: 7 } },
  'struck wood': {
    partials: [
      { hertz: 950, level: 0.5, seconds: 0.07 },
      { hertz: 2280, level: 0.2, seconds: 0.04 },
    ],
  },
  skin: {
    partials: [{ hertz: 165, level: 0.8, seconds: 0.26, falls: 0.6 }],
    noise: { from: 900, level: 0.12, seconds: 0.03 },
  },
  metal: {
    partials: [
      { hertz: 2093, level: 0.25, seconds: 1.1 },
      { hertz: 5400, level: 0.14, seconds: 0.7 },
      { hertz: 8130, level: 0.07, seconds: 0.4 },
    ],
  },
  barred: {
    partials: [
      { hertz: 523.25, level: 0.5, seconds: 0.5 },
      { hertz: 2093, level: 0.12, seconds: 0.12 },
    ],
  },
  body: { noise: { from: 1100, level: 0.5, seconds: 0.05 } },
  speech: {
    partials: [
      { hertz: 220, level: 0.3, seconds: 0.16 },
      { hertz: 660, level: 0.22, seconds: 0.14 },
    ],
  },
}

/** One stroke of a family at a moment of the context's clock. */
export function strike(on: BaseAudioContext, out: AudioNode, voice: Voice, start: number): void {
  const { partials = [], noise } = MADE[voice]
  for (const one of partials) {
    const source = on.createOscillator()
    const edge = on.createGain()
    source.frequency.setValueAtTime(one.hertz, start)
    if (one.falls)
      source.frequency.exponentialRampToValueAtTime(one.hertz * one.falls, start + one.seconds)
    edge.gain.setValueAtTime(one.level, start)
    edge.gain.exponentialRampToValueAtTime(0.001, start + one.seconds)
    source.connect(edge).connect(out)
    source.start(start)
    source.stop(start + one.seconds + 0.02)
  }
  if (!noise) return
  const source = on.createBufferSource()
  const high = on.createBiquadFilter()
  const edge = on.createGain()
  source.buffer = hiss(on)
  high.type = 'highpass'
  high.frequency.value = noise.from
  const strokes = noise.strokes ?? 1
  const each = noise.seconds / strokes
  for (let n = 0; n < strokes; n += 1) {
    edge.gain.setValueAtTime(noise.level, start + n * each)
    edge.gain.exponentialRampToValueAtTime(0.005, start + (n + 0.95) * each)
  }
  source.connect(high).connect(edge).connect(out)
  source.start(start)
  source.stop(start + noise.seconds)
}

const made = new WeakMap<BaseAudioContext, AudioBuffer>()
/** Half a second of noise, the same every time. */
function hiss(on: BaseAudioContext): AudioBuffer {
  const there = made.get(on)
  if (there) return there
  const buffer = on.createBuffer(1, on.sampleRate / 2, on.sampleRate)
  const data = buffer.getChannelData(0)
  let state = 16
  for (let n = 0; n < data.length; n += 1) {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    data[n] = (state / 1_073_741_824 - 1) * 0.8
  }
  made.set(on, buffer)
  return buffer
}
