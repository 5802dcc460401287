// A loop as boxes: sounds in twelfths of a beat (halves, thirds and quarters are whole), and back as values in beats.
export const FINE = 12
export interface Sound {
  start: number
  length: number
}
export interface Loop {
  sounds: Sound[]
  length: number
}

export function read(rhythm: readonly string[]): Loop {
  const sounds: Sound[] = []
  let at = 0
  for (const value of rhythm) {
    const [over = '0', under = '1'] = value.replace('r', '').split('/')
    const length = Math.round((FINE * Number(over)) / Number(under))
    if (!value.startsWith('r')) sounds.push({ start: at, length })
    at += length
  }
  return { sounds, length: at }
}

export function write({ sounds, length }: Loop): string[] {
  const values: string[] = []
  let at = 0
  for (const one of sounds) {
    if (one.start > at) values.push(`r${value(one.start - at)}`)
    values.push(value(one.length))
    at = one.start + one.length
  }
  if (at < length) values.push(`r${value(length - at)}`)
  return values
}

/** Twelfths of a beat as a number of beats. */
function value(twelfths: number): string {
  const common = divisor(twelfths, FINE)
  const under = FINE / common
  return under === 1 ? String(twelfths / common) : `${twelfths / common}/${under}`
}
const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b))

/** A box pressed: what begins in it ends; else a sound begins, up to the next one or to the end of its beat. */
export function press({ sounds, length }: Loop, start: number, size: number): Loop {
  const inside = sounds.filter((one) => one.start >= start && one.start < start + size)
  if (inside.length) return { sounds: sounds.filter((one) => !inside.includes(one)), length }
  const cut = sounds.map((one) =>
    one.start < start && one.start + one.length > start
      ? { start: one.start, length: start - one.start }
      : one,
  )
  const next = sounds.find((one) => one.start > start)?.start ?? length
  const beatEnd = (Math.floor(start / FINE) + 1) * FINE
  const made = { start, length: Math.min(next, beatEnd, length) - start }
  return { sounds: [...cut, made].sort((a, b) => a.start - b.start), length }
}

/** The same loop so many beats long. */
export function resized({ sounds }: Loop, beats: number): Loop {
  const length = beats * FINE
  return {
    sounds: sounds
      .filter((one) => one.start < length)
      .map((one) => ({ start: one.start, length: Math.min(one.length, length - one.start) })),
    length,
  }
}
/** The finest part of a beat that a loop needs boxes for: halves, thirds or quarters. */
export function boxesOf({ sounds }: Loop): 2 | 3 | 4 {
  const starts = sounds.map((one) => one.start)
  if (starts.some((one) => one % 4 === 0 && one % 6 !== 0 && one % 3 !== 0)) return 3
  return starts.some((one) => one % 6 !== 0) ? 4 : 2
}
