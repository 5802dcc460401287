import { expect, test } from 'vitest'
import { nearest, shippedTones } from './useBank'

test('no tone of a song is played more than three half steps away from one that ships', () => {
  for (const instrument of ['piano', 'bars'] as const) {
    const tones = shippedTones(instrument)
    for (let midi = Math.min(...tones); midi <= Math.max(...tones); midi += 1) {
      const { tone, rate } = nearest(instrument, midi)
      expect(Math.abs(midi - tone)).toBeLessThanOrEqual(3)
      expect(rate).toBeCloseTo(2 ** ((midi - tone) / 12))
    }
  }
  expect(nearest('piano', 69)).toEqual({ tone: 69, rate: 1 })
})
