// A rhythm figure written in beats ("1 ½½", "½ 1 ½") as note shapes on a line, ready to be drawn.
export interface NoteShape {
  x: number
  open: boolean
  stem: boolean
  dot: boolean
  flags: number
  rest: boolean
}
export interface Beam {
  from: number
  to: number
  level: number
}
export interface FigureShape {
  notes: NoteShape[]
  beams: Beam[]
  width: number
  triplet: boolean
}

const VALUES: Record<string, Omit<NoteShape, 'x'>> = {
  '1½': { open: false, stem: true, dot: true, flags: 0, rest: false },
  '1': { open: false, stem: true, dot: false, flags: 0, rest: false },
  '½': { open: false, stem: true, dot: false, flags: 1, rest: false },
  '¾': { open: false, stem: true, dot: true, flags: 1, rest: false },
  '¼': { open: false, stem: true, dot: false, flags: 2, rest: false },
  '⅓': { open: false, stem: true, dot: false, flags: 1, rest: false },
  '2': { open: true, stem: true, dot: false, flags: 0, rest: false },
  r1: { open: false, stem: false, dot: false, flags: 0, rest: true },
}
const TOKEN = /r1|1½|[1½¾¼⅓2]/g
export const STEP = 11

/** The shapes of a sign, or null when the sign is not a rhythm figure. */
export function figureOf(sign: string): FigureShape | null {
  if (!/^(?:(?:r1|1½|[1½¾¼⅓2])|\s)+$/.test(sign)) return null
  const notes: NoteShape[] = []
  const beams: Beam[] = []
  let x = 6
  for (const group of sign.trim().split(/\s+/)) {
    const first = notes.length
    for (const token of group.match(TOKEN) ?? []) {
      const value = VALUES[token]
      if (!value) continue
      notes.push({ x, ...value })
      x += STEP + (value.dot ? 3 : 0)
    }
    beams.push(...beamed(notes, first))
    x += 5
  }
  return { notes, beams, width: x - 3, triplet: sign.includes('⅓') }
}

/** Short notes of one group share beams; a beam of the second level may be a stub. */
function beamed(notes: NoteShape[], first: number): Beam[] {
  const run = notes.slice(first)
  if (run.length < 2 || run.some((note) => note.flags === 0)) return []
  const beams: Beam[] = [{ from: run[0]?.x ?? 0, to: run.at(-1)?.x ?? 0, level: 0 }]
  run.forEach((note, index) => {
    const next = run[index + 1]
    const before = run[index - 1]
    if (note.flags < 2) return
    if (next && next.flags >= 2) beams.push({ from: note.x, to: next.x, level: 1 })
    else if (!before || before.flags < 2)
      beams.push({ from: before ? note.x - 5 : note.x, to: before ? note.x : note.x + 5, level: 1 })
  })
  run.forEach((note) => (note.flags = 0))
  return beams
}
