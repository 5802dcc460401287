// Reference tones by plain oscillators, songs on the sampled tones of an instrument. Nothing sounds by itself; one volume for the device.
import { bank, nearest } from './useBank'
import { device } from './useDevice'
import { strike, type Voice } from './useUnpitched'

let context: AudioContext | undefined

export function frequency(midi: number): number {
  return 440 * 2 ** ((midi - 69) / 12)
}

/** Play tones one after the other; each lasts `seconds`. Two partials, soft edges: easy to take a pitch from. */
export function play(midi: readonly number[], seconds = 0.75): void {
  context ??= new AudioContext()
  void context.resume()
  const out = context.createGain()
  out.gain.value = device.volume * 0.5
  out.connect(context.destination)
  midi.forEach((note, index) => {
    if (context)
      tone(context, out, frequency(note), context.currentTime + 0.05 + index * seconds, seconds)
  })
}

let running: GainNode | undefined
let sampled: Map<number, AudioBuffer> | null = null
const RELEASE = 0.14

/** A tone from the samples of an instrument; false where there are none near it. */
function struck(
  on: AudioContext,
  out: AudioNode,
  name: string,
  tones: Map<number, AudioBuffer> | null | undefined,
  midi: number,
  start: number,
  seconds: number,
): boolean {
  if (!tones || !isSampled(name)) return false
  const { tone: near, rate } = nearest(name, midi)
  const buffer = tones.get(near)
  if (!buffer) return false
  const source = on.createBufferSource()
  const edge = on.createGain()
  source.buffer = buffer
  source.playbackRate.value = rate
  const end = start + Math.min(Math.max(seconds, 0.2), buffer.duration / rate - RELEASE)
  edge.gain.setValueAtTime(0.9, start)
  edge.gain.setValueAtTime(0.9, end)
  edge.gain.linearRampToValueAtTime(0, end + RELEASE)
  source.connect(edge).connect(out)
  source.start(start)
  source.stop(end + RELEASE)
  return true
}
const isSampled = (name: string): name is 'piano' | 'bars' => name === 'piano' || name === 'bars'

/** Gets the chosen instrument ready; at once where it is or where tones are plain. */
export async function ready(): Promise<void> {
  context ??= new AudioContext()
  void context.resume()
  sampled = await bank(context, device.instrument)
}

/** Tones and clicks, each at its second from now; a click where there is no pitch. Whatever was running ends. What comes back is
 *  the moment from which they count, in milliseconds of `performance.now()`. */
export function tones(
  plan: readonly { at: number; seconds: number; midi: number | null }[],
): number {
  silence()
  context ??= new AudioContext()
  void context.resume()
  running = context.createGain()
  running.gain.value = device.volume * 0.5
  running.connect(context.destination)
  const start = context.currentTime + 0.05
  for (const { at, seconds, midi } of plan) {
    if (midi === null) click(context, running, start + at)
    else if (!struck(context, running, device.instrument, sampled, midi, start + at, seconds))
      tone(context, running, frequency(midi), start + at, Math.max(seconds, 0.16))
  }
  return performance.now() + (start - context.currentTime) * 1000
}

export interface Stroke {
  at: number
  voice: Voice
}
/** Strokes of unpitched families, each at its second from now; a plan for one round, the next is added with `more`. Whatever was
 *  running ends. What comes back is the moment from which they count, in milliseconds of `performance.now()`, and how to go on. */
export function strokes(plan: readonly Stroke[]): {
  from: number
  more: (next: readonly Stroke[]) => void
} {
  silence()
  const on = (context ??= new AudioContext())
  void on.resume()
  const out = (running = on.createGain())
  out.gain.value = device.volume * 0.6
  out.connect(on.destination)
  const start = on.currentTime + 0.08
  const more = (next: readonly Stroke[]) => {
    if (running === out) for (const { at, voice } of next) strike(on, out, voice, start + at)
  }
  more(plan)
  return { from: performance.now() + (start - on.currentTime) * 1000, more }
}

export interface PlayedTone {
  at: number
  length: number
  midi: number | null
  strength: number
  instrument: string
}
/** Gets the instruments of one of our own pieces ready; what comes back plays it from a moment on, at once, each part on its
 *  instrument; moments in milliseconds. Whatever was running ends. */
export async function performer(played: readonly PlayedTone[]): Promise<(from: number) => void> {
  const on = (context ??= new AudioContext())
  void on.resume()
  const names = [...new Set(played.map((one) => one.instrument))].filter(isSampled)
  const banks = new Map<string, Map<number, AudioBuffer> | null>(
    await Promise.all(names.map(async (name) => [name, await bank(on, name)] as const)),
  )
  return (from) => {
    silence()
    const out = (running = on.createGain())
    out.gain.value = device.volume * 0.5
    out.connect(on.destination)
    const begins = on.currentTime + 0.05
    for (const { at, length, midi, strength, instrument } of played) {
      if (at < from) continue
      const [start, seconds] = [begins + (at - from) / 1000, length / 1000]
      const level = on.createGain()
      level.gain.value = strength / 100
      level.connect(out)
      if (midi === null) click(on, level, start)
      else if (!struck(on, level, instrument, banks.get(instrument), midi, start, seconds))
        tone(on, level, frequency(midi), start, Math.max(seconds, 0.16))
    }
  }
}

/** Ends what `tones` or a performer began. */
export function silence(): void {
  if (context && running) running.gain.setTargetAtTime(0, context.currentTime, 0.02)
  running?.disconnect()
  running = undefined
}

function click(on: AudioContext, out: AudioNode, start: number): void {
  const source = on.createOscillator()
  const edge = on.createGain()
  source.frequency.value = 1800
  edge.gain.setValueAtTime(0.5, start)
  edge.gain.exponentialRampToValueAtTime(0.001, start + 0.05)
  source.connect(edge).connect(out)
  source.start(start)
  source.stop(start + 0.06)
}

function tone(
  on: AudioContext,
  out: AudioNode,
  hertz: number,
  start: number,
  seconds: number,
): void {
  for (const [partial, share] of [
    [1, 0.8],
    [2, 0.16],
    [3, 0.05],
  ] as const) {
    const source = on.createOscillator()
    const edge = on.createGain()
    source.frequency.value = hertz * partial
    edge.gain.setValueAtTime(0, start)
    edge.gain.linearRampToValueAtTime(share, start + 0.03)
    edge.gain.setValueAtTime(share, start + seconds - 0.12)
    edge.gain.linearRampToValueAtTime(0, start + seconds - 0.01)
    source.connect(edge).connect(out)
    source.start(start)
    source.stop(start + seconds)
  }
}
