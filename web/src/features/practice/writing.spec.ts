import { expect, test } from 'vitest'
import { entered, removed, room } from './writing'

const figure = (value: string, ...lengths: number[]) => ({
  ...{ value, says: value, lengths, rests: lengths.map(() => false), height: null },
})
const bar = (given: string[], of = 0) => ({ given, of, starts: [], beats: [] })
const rhythm = {
  beats: 2,
  bars: [bar(['half']), bar([]), bar(['quarter', 'quarter']), bar([])],
  choices: [figure('quarter', 1), figure('eighths', 0.5, 0.5), figure('half', 2)],
}

test('figures fill the bars that are open, one after the other, and what is given stays', () => {
  let bars = rhythm.bars.map((one) => [...one.given])
  expect(room(rhythm, bars)).toEqual({ bar: 1, left: 2 })
  for (const one of ['quarter', 'eighths', 'half']) bars = entered(rhythm, bars, one)
  expect(bars).toEqual([['half'], ['quarter', 'eighths'], ['quarter', 'quarter'], ['half']])
  expect(room(rhythm, bars)).toBeNull()
  for (let n = 0; n < 5; n += 1) bars = removed(rhythm, bars)
  expect(bars).toEqual([['half'], [], ['quarter', 'quarter'], []])
})

test('a melody has as many tones as its rhythm, the first one given', () => {
  const task = { beats: 2, bars: [bar(['do'], 2), bar([], 1)], choices: [] }
  let bars = task.bars.map((one) => [...one.given])
  bars = entered(task, entered(task, bars, 're'), 'mi')
  expect(bars).toEqual([['do', 're'], ['mi']])
  expect(room(task, bars)).toBeNull()
  bars = removed(task, removed(task, removed(task, bars)))
  expect(bars).toEqual([['do'], []])
})
