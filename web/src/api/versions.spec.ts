import { expect, test } from 'vitest'
import { whereRead } from './client'
import { drafting, heard, madeFrom, overTheirs, stale, takeTheirs, givenUp } from './versions'

test('a change says which version it was made from, and a draft keeps the one it was begun with', () => {
  expect(madeFrom('/api/words')).toBeUndefined()
  heard('"/words:3"', false)
  heard('"/songs/7:1"', false)
  expect(madeFrom('/api/words')).toBe('"/words:3"')
  expect(madeFrom('/api/songs/7/annotations')).toBe('"/songs/7:1"')
  expect(madeFrom('/api/songs/77/annotations')).toBeUndefined()
  drafting('/words', true)
  heard('"/words:4"', false) // somebody else wrote, and it was read anew
  drafting('/words', true)
  expect(madeFrom('/api/words')).toBe('"/words:3"')
  stale.value = { says: '', name: '/words', method: 'PUT', path: '/words', mine: {} }
  expect(overTheirs()?.path).toBe('/words')
  expect(madeFrom('/api/words')).toBe('"/words:4"')
  drafting('/words', true)
  heard('"/words:5"', true) // written: nothing is begun any more
  heard('"/words:6"', false)
  expect(madeFrom('/api/words')).toBe('"/words:6"')
})

test('who takes the other one gives the draft up', () => {
  heard('"/room:1"', false)
  drafting('/room', true)
  heard('"/room:2"', false)
  stale.value = { says: '', name: '/room', method: 'PUT', path: '/room', mine: {} }
  takeTheirs()
  expect([stale.value, givenUp.value.name, madeFrom('/api/room')]).toEqual([
    null,
    '/room',
    '"/room:2"',
  ])
})

test('what is written is read where it is read as a whole', () => {
  expect(whereRead('/sections/1')).toBe('/sections/1/detail')
  expect(whereRead('/sections/1/year/overrides')).toBe('/sections/1/year')
  expect(whereRead('/songs/1/annotations')).toBe('/songs/1')
  expect(whereRead('/templates/middle')).toBe('/templates')
  expect(whereRead('/words')).toBe('/words')
})
