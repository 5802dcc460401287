// What is tapped while a piece is heard: moments, each with the letter of a part or with a change.
export interface Tapped {
  at: number
  section: string
  change: string
}
export const LETTERS = ['a', 'b', 'c', 'd', 'e', 'f'] as const

export function inOrder(marks: readonly Tapped[]): Tapped[] {
  return [...marks].sort((one, two) => one.at - two.at)
}
/** The letters that are there, and the next one. */
export function lettersOf(marks: readonly Tapped[]): { known: string[]; next: string } {
  const known = [...new Set(inOrder(marks).flatMap((one) => one.section || []))]
  const next = LETTERS.find((letter) => !known.includes(letter)) ?? `${LETTERS.at(-1)}'`
  return { known, next }
}
export function sectionsOf(marks: readonly Tapped[], length: number) {
  const begun = inOrder(marks).filter((one) => one.section)
  return begun.map((one, n) => ({
    label: one.section,
    begins: n ? one.at : 0,
    ends: begun[n + 1]?.at ?? length,
  }))
}
/** A mark moved by so much, within the piece. */
export function nudged(mark: Tapped, by: number, length: number): Tapped {
  return { ...mark, at: Math.min(Math.max(mark.at + by, 0), Math.max(length - 1, 0)) }
}
