import { expect, test } from 'vitest'
import { rules, whyNot } from './rules'

const say = (rule: ReturnType<typeof rules>, value: unknown) => rule.map((one) => one(value))

test('what a field may hold is what the API says, in the words of its refusal', () => {
  expect(say(rules('SectionBody', 'name'), '2A')).toEqual([true])
  expect(say(rules('SectionBody', 'name'), '  ')).toEqual(['This is needed.'])
  expect(say(rules('SectionBody', 'name'), 'x'.repeat(21))).toEqual(['At most 20 characters.'])
  expect(say(rules('SectionBody', 'minutes'), 5)).toEqual(['10 or more.'])
  expect(say(rules('SectionBody', 'minutes'), 500)).toEqual(['180 or less.'])
  expect(say(rules('FirstRunBody', 'password'), 'short')).toEqual(['At least 8 characters.'])
})
test('what may be left out may be empty', () => {
  expect(whyNot({ maxLength: 3 }, '')).toBeUndefined()
  expect(whyNot({ minimum: 1, maximum: 12 }, null)).toBeUndefined()
  expect(whyNot({ pattern: '^[A-G]$' }, '')).toBeUndefined()
  expect(whyNot({ pattern: '^[A-G]$' }, 'H')).toBe('Not written as it should be.')
})
