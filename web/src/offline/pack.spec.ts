import { expect, test } from 'vitest'
import { inPack } from './pack'

test('what a lesson needs is kept on the device, what tells more of a child is not', () => {
  for (const path of [
    'me',
    'day',
    'lessons/1',
    'lessons/1/parts/2/hearing',
    'songs/1/score',
    'exercises/1/score',
    'lessons/1/parts/2/exercise',
  ])
    expect(inPack(`/api/${path}`)).toBe(true)
  for (const path of [
    'children/1',
    'children/1/report',
    'sections/1/ledger',
    'children/1/everything',
    'backups',
    'asked/not-heard',
    'sign-out',
  ])
    expect(inPack(`/api/${path}`)).toBe(false)
})
