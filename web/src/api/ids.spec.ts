import { afterEach, expect, it, vi } from 'vitest'
import { newId } from './ids'

afterEach(() => vi.unstubAllGlobals())

it('gives an id also where the browser makes none', () => {
  vi.stubGlobal('crypto', {
    getRandomValues: (bytes: Uint8Array) => bytes.fill(255),
  })
  expect(newId()).toBe('ffffffff-ffff-4fff-bfff-ffffffffffff')
})
