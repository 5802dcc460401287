import { describe, expect, it } from 'vitest'
import { boxesOf, FINE, press, read, resized, write } from './loop'

describe('a loop as boxes', () => {
  it('comes back as it was written', () => {
    for (const rhythm of [
      ['1', '1', 'r2'],
      ['1/2', '1/2', 'r1', '3/2', '1/2'],
      ['r1/2', '1/2', '1/3', '1/3', '1/3'],
    ])
      expect(write(read(rhythm))).toEqual(rhythm)
  })
  it('begins where a box is pressed and ends where it is pressed again', () => {
    const silent = { sounds: [], length: 4 * FINE }
    const one = press(silent, FINE, FINE / 2)
    expect(write(one)).toEqual(['r1', '1', 'r2'])
    const two = press(one, FINE + FINE / 2, FINE / 2)
    expect(write(two)).toEqual(['r1', '1/2', '1/2', 'r2'])
    expect(write(press(two, FINE, FINE / 2))).toEqual(['r3/2', '1/2', 'r2'])
  })
  it('is cut and stretched by whole beats, and knows its boxes', () => {
    const loop = read(['1', '2', '1'])
    expect(write(resized(loop, 2))).toEqual(['1', '1'])
    expect(write(resized(loop, 5))).toEqual(['1', '2', '1', 'r1'])
    expect(boxesOf(loop)).toBe(2)
    expect(boxesOf(read(['1/4', '3/4']))).toBe(4)
    expect(boxesOf(read(['1/3', '1/3', '1/3']))).toBe(3)
  })
})
