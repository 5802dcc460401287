import { expect, test } from 'vitest'
import type { Schemas } from '@/api/client'
import { rowsOf, stepFrom } from './table'

const cell = (slot: string) =>
  ({ part: { id: `p-${slot}`, slot_id: slot, slot } }) as unknown as Schemas['SetCellRead']
const column = (...slots: string[]) =>
  ({ cells: slots.map(cell), boxes: [] }) as unknown as Schemas['SetColumnRead']
const set = {
  columns: [
    column('opening', 'left', 'focus', 'closing'),
    column('opening', 'focus', 'game', 'closing'),
  ],
}

test('rows hold every slot in the order of the lessons', () => {
  expect(rowsOf(set).map((row) => row.slot)).toEqual([
    'opening',
    'left',
    'focus',
    'game',
    'closing',
  ])
})
test('one walks over the slots a lesson has and stays at the edge', () => {
  expect(stepFrom(set, null, 1, 0)).toMatchObject({ lesson: 0, slot: 'opening' })
  expect(stepFrom(set, { lesson: 1, slot: 'opening' }, 1, 0)).toMatchObject({ slot: 'focus' })
  expect(stepFrom(set, { lesson: 0, slot: 'focus' }, 0, 1)).toMatchObject({
    lesson: 1,
    slot: 'focus',
  })
  expect(stepFrom(set, { lesson: 0, slot: 'left' }, 0, 1)).toMatchObject({
    lesson: 0,
    slot: 'left',
  })
})
