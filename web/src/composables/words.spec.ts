import { beforeEach, expect, test } from 'vitest'
import { wording } from './useWording'
import { clock, readDay, readTime, shortDay, shortMoment, writtenDay } from './words'

beforeEach(() => Object.assign(wording.value, { dates: 'day_first', clock: '24' }))

test('days are written and read as the school writes them', () => {
  expect([shortDay('2026-11-24'), writtenDay('2026-11-24')]).toEqual(['Tue 24 Nov', '24/11/2026'])
  expect(readDay('24.11.26', 2026)).toBe('2026-11-24')
  expect(readDay('3/12', 2026)).toBe('2026-12-03')
  wording.value.dates = 'month_first'
  expect([shortDay('2026-11-24'), writtenDay('2026-11-24')]).toEqual(['Tue Nov 24', '11/24/2026'])
  expect(readDay('12/3', 2026)).toBe('2026-12-03')
  wording.value.dates = 'iso'
  expect(shortDay('2026-11-24')).toBe('Tue 2026-11-24')
  for (const written of ['2026-11-24', '2026/11/24'])
    expect(readDay(written, 2020)).toBe('2026-11-24')
})

test('what is no day is none', () => {
  for (const text of ['', '31/2/2026', 'Tuesday', '24', '1/2/3/4'])
    expect(readDay(text, 2026)).toBeUndefined()
})

test('every day that is written is read again', () => {
  for (const dates of ['day_first', 'month_first', 'iso'] as const) {
    wording.value.dates = dates
    for (let n = 0; n < 400; n += 7) {
      const iso = new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10)
      expect(readDay(writtenDay(iso), 1999)).toBe(iso)
    }
  }
})

test('times by 24 hours and by 12', () => {
  expect([clock('09:10'), clock('14:30'), clock(null)]).toEqual(['09:10', '14:30', ''])
  wording.value.clock = '12'
  expect([clock('09:10'), clock('14:30'), clock('00:05')]).toEqual([
    '9:10 am',
    '2:30 pm',
    '12:05 am',
  ])
  expect(shortMoment('2026-11-24T14:30:00')).toBe('Tue 24 Nov, 2:30 pm')
  for (const [text, time] of [
    ['9:10', '09:10'],
    ['910', '09:10'],
    ['9.10 am', '09:10'],
    ['2 pm', '14:00'],
    ['12:05 a.m.', '00:05'],
  ] as const)
    expect(readTime(text)).toBe(time)
  for (const text of ['', '25:00', '9:75', 'nine']) expect(readTime(text)).toBeUndefined()
})
