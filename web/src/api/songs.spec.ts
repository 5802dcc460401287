import { expect, test } from 'vitest'
import { smallerBooks } from './songs'

const book = (tunes: number) =>
  `M:2/4\nL:1/8\n\n${Array.from({ length: tunes }, (_, n) => `X:${n + 1}\nT:Tune ${n + 1}\nK:F\nc2A2|]\n\n`).join('')}`

test('a book of many tunes goes in lots, each with what the book says of all of them, and no tune is lost', async () => {
  const parts = smallerBooks('book.abc', book(95), 40)
  expect(parts.map((part) => part.tunes)).toEqual([40, 40, 15])
  const texts = await Promise.all(parts.map((part) => part.file.text()))
  expect(texts.every((text) => text.startsWith('M:2/4\nL:1/8'))).toBe(true)
  expect(texts.flatMap((text) => text.match(/^X:.*$/gm) ?? [])).toEqual(
    Array.from({ length: 95 }, (_, n) => `X:${n + 1}`),
  )
})
test('a small book stays one file as it came', async () => {
  const [only, ...more] = smallerBooks('book.abc', book(3), 40)
  expect(more).toEqual([])
  expect(await only?.file.text()).toBe(book(3))
})
