import { expect, test } from 'vitest'
import { differences } from './differences'

test('only what differs is told, by names where things have them', () => {
  const mine = {
    name: '2A',
    meetings: [
      { day: 'Mon', starts: '09:00' },
      { day: 'Thu', starts: '10:00' },
    ],
  }
  const theirs = { name: '2A', meetings: [{ day: 'Mon', starts: '09:30' }], id: 'only here' }
  expect(differences(mine, theirs)).toEqual([
    { path: ['meetings', 'Mon', 'starts'], mine: '09:00', theirs: '09:30' },
    { path: ['meetings', 'Thu'], mine: '{"day":"Thu","starts":"10:00"}', theirs: '' },
  ])
  expect(differences({ do: null }, { do: 'G' })).toEqual([{ path: ['do'], mine: '', theirs: 'G' }])
  expect(differences([1, 2], [1, 2])).toEqual([])
})
