import { expect, test } from 'vitest'
import { listed, minutesUntil, pitchName } from './words'

test('names are joined as one says them', () => {
  expect(listed(['Ama'])).toBe('Ama')
  expect(listed(['Ama', 'Jun', 'Tove'])).toBe('Ama, Jun and Tove')
})
test('minutes until the door opens may lie in the past', () => {
  expect(minutesUntil('09:05', '09:50')).toBe(45)
  expect(minutesUntil('10:00', '09:10')).toBe(-50)
})
test('a pitch is written with its sign, and the note B is not a flat', () => {
  expect(pitchName('F#4')).toBe('F♯4')
  expect(pitchName('Bb3')).toBe('B♭3')
  expect(pitchName('B4')).toBe('B4')
})
