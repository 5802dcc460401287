import { expect, test } from 'vitest'
import { lettersOf, nudged, sectionsOf } from './tapping'

const part = (at: number, section: string) => ({ at, section, change: '' })
const marks = [
  part(30_000, 'b'),
  { at: 31_000, section: '', change: 'softer' },
  part(400, 'a'),
  part(60_000, 'a'),
]

test('parts go from tap to tap, the first from the very beginning, the last to the end', () => {
  expect(sectionsOf(marks, 90_000)).toEqual([
    { label: 'a', begins: 0, ends: 30_000 },
    { label: 'b', begins: 30_000, ends: 60_000 },
    { label: 'a', begins: 60_000, ends: 90_000 },
  ])
})
test('the next new part has the next letter', () => {
  expect(lettersOf(marks)).toEqual({ known: ['a', 'b'], next: 'c' })
  expect(lettersOf([])).toEqual({ known: [], next: 'a' })
})
test('a moment is moved within the piece only', () => {
  expect(nudged(part(200, 'a'), -500, 90_000).at).toBe(0)
  expect(nudged(part(89_900, 'a'), 500, 90_000).at).toBe(89_999)
})
