import { expect, test } from 'vitest'
import { planned, tonicBefore, type Playable } from './usePlayback'

const sound = (note: number, onset: number, length: number, phrase = 0) => ({
  note,
  onset,
  length,
  midi: 60 + note,
  phrase,
})
const song: Playable = {
  sounds: [sound(0, 0, 1), sound(1, 1, 2), sound(2, 3, 1, 1), sound(3, 4, 2, 1)],
  tempo: 120,
  beat: 1,
  beats: 2,
  pickup: 0,
}

test('one bar is counted in before the first note', () => {
  const plan = planned(song, 60, null, false)
  expect(plan.filter((one) => one.note === null).map((one) => one.at)).toEqual([0, 1])
  expect(
    plan.filter((one) => one.note !== null).map((one) => [one.note, one.at, one.seconds]),
  ).toEqual([
    [0, 2, 1],
    [1, 3, 2],
    [2, 5, 1],
    [3, 6, 2],
  ])
})
test('the count-in leaves room for an upbeat: the first full bar begins where a bar would', () => {
  const plan = planned(
    { ...song, pickup: 1, beats: 3, sounds: [sound(0, 0, 1), sound(1, 1, 1)] },
    60,
    null,
    false,
  )
  const notes = plan.filter((one) => one.note !== null)
  expect(notes.map((one) => one.at)).toEqual([5, 6])
  expect(plan.filter((one) => one.note === null)).toHaveLength(5)
})
test('a phrase is played alone, and rhythm alone has no pitch', () => {
  const plan = planned(song, 120, 1, true)
  expect(
    plan.filter((one) => one.note !== null).map((one) => [one.note, one.at, one.midi]),
  ).toEqual([
    [2, 1, null],
    [3, 1.5, null],
  ])
})
test('in a meter with dotted beats the tempo counts those', () => {
  const plan = planned(
    { ...song, beat: 1.5, sounds: [sound(0, 0, 1.5), sound(1, 1.5, 1.5)] },
    60,
    null,
    false,
  )
  expect(plan.filter((one) => one.note !== null).map((one) => one.at)).toEqual([2, 3])
})
test('the tonic pattern goes before with a tone a beat, and points at no note', () => {
  const plan = tonicBefore({ ...song, tonic: [{ midi: 60 }, { midi: 64 }] }, 120)
  expect(plan.map((one) => [one.at, one.midi, one.note])).toEqual([
    [0, 60, null],
    [0.5, 64, null],
  ])
})
