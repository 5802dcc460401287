import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'

const files = readdirSync('src', { recursive: true, encoding: 'utf-8' }).filter((name) =>
  name.endsWith('.vue'),
)

test('controls come from the component library; a native one says why beside it', () => {
  const without = files.filter((name) => {
    const text = readFileSync(join('src', name), 'utf-8')
    return /<(button|input|select|textarea)\b/.test(text) && !text.includes('// Native: ')
  })
  expect(without).toEqual([])
})
