import { beforeEach, expect, test } from 'vitest'
import { degreeName, ownPhase, wording } from './useWording'

const ours = {
  so: 'so',
  ti: 'ti',
  names: 'solfa' as const,
  model: 'prepare-present-practise',
  phases: { prepare: 'prepare' },
  phase_words: {},
  dates: 'day_first' as const,
  clock: '24' as const,
  terms: [],
}
beforeEach(() => {
  wording.value = { ...ours }
})

test('a school that says sol and si still tells the raised so from the seventh tone', () => {
  wording.value = { ...ours, so: 'sol', ti: 'si' }
  expect(['so,', 'ti', 'si', "do'"].map((key) => degreeName(key))).toEqual([
    'sol,',
    'si',
    'sol♯',
    "do'",
  ])
})
test('numbers count from do and keep the octave mark; letters need a pitch', () => {
  wording.value = { ...ours, names: 'numbers' }
  expect([degreeName("do'"), degreeName('fi'), degreeName('te,')]).toEqual(["1'", '♯4', '♭7,'])
  wording.value = { ...ours, names: 'letters' }
  expect([degreeName('fa', 'Bb4'), degreeName('fa')]).toEqual(['B♭', 'fa'])
})
test('our words for phases stay until the school has its own', () => {
  expect(ownPhase('prepare')).toBeNull()
  wording.value = { ...ours, model: 'listen-to-create', phases: { prepare: 'listen, echo' } }
  expect([ownPhase('prepare'), ownPhase('warm')]).toEqual(['listen, echo', null])
})
