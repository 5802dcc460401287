import { expect, test } from 'vitest'
import { figureOf } from './figure'

test('two eighths share one beam and a quarter has none', () => {
  expect(figureOf('½½')?.beams).toEqual([{ from: 6, to: 17, level: 0 }])
  expect(figureOf('1')?.beams).toEqual([])
})
test('a dotted eighth and a sixteenth: the sixteenth has a stub of a second beam', () => {
  const found = figureOf('¾¼')
  expect(found?.beams.filter((beam) => beam.level === 1)).toHaveLength(1)
  expect(found?.notes[0]?.dot).toBe(true)
})
test('syncopation keeps its flags: nothing is beamed over the quarter', () => {
  const found = figureOf('½ 1 ½')
  expect(found?.beams).toEqual([])
  expect(found?.notes.map((note) => note.flags)).toEqual([1, 0, 1])
})
test('words are no figure', () => {
  expect(figureOf('loud')).toBeNull()
})
