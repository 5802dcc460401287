import { expect, test } from 'vitest'
import type { Schemas } from '@/api/client'
import { columnsOf, EVERYTHING, rowsOf } from './filters'

const column = (key: string, strand: string, named: boolean) => ({
  ...{ concept: { key, strand }, named, declared: false },
})
const ledger = {
  children: [
    { id: 'a', name: 'Ama', last: '2026-11-10' },
    { id: 'b', name: 'Bo', last: null },
    { id: 'c', name: 'Cai', last: '2026-10-01' },
  ],
  columns: [column('re', 'melody', true), column('rest', 'rhythm', false)],
  stones: { re: '0d 2Y', rest: '0s 1n' },
} as unknown as Schemas['LedgerRead']
const rows = (filter: Partial<typeof EVERYTHING>) => {
  const whole = { ...EVERYTHING, ...filter }
  return rowsOf(ledger, columnsOf(ledger, whole), whole)
}

test('who is due, not there yet or unheard is found in the columns that are shown', () => {
  expect(rows({ shows: 'due' })).toEqual([0])
  expect(rows({ shows: 'not_yet' })).toEqual([1, 2])
  expect(rows({ shows: 'not_yet', strand: 'melody' })).toEqual([2])
  expect(rows({ shows: 'not_heard', strand: 'melody' })).toEqual([1])
  expect(rows({ shows: 'not_heard', phase: 'unnamed' })).toEqual([2])
})
test('by wait whoever was never heard comes first', () => {
  expect(rows({ by: 'wait' })).toEqual([1, 2, 0])
  expect(rows({})).toEqual([0, 1, 2])
})
