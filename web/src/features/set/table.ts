// The table of a set: its rows, what stands in a place, and where one walks to.
import type { Schemas } from '@/api/client'

export interface Place {
  lesson: number
  slot: string
  part?: string
}

type Column = Schemas['SetColumnRead']
type SetRead = Pick<Schemas['SetRead'], 'columns'>

/** Every slot that some lesson has, in the order in which lessons have them. */
export function rowsOf(set: SetRead): { slot: string; name: string }[] {
  const rows: { slot: string; name: string }[] = []
  for (const column of set.columns) {
    let at = 0
    for (const { part } of column.cells) {
      const there = rows.findIndex((row) => row.slot === part.slot_id)
      if (there >= 0) at = there + 1
      else rows.splice(at++, 0, { slot: part.slot_id, name: part.slot })
    }
  }
  return rows
}

export const cellsAt = (column: Column | undefined, slot: string) =>
  column?.cells.filter((cell) => cell.part.slot_id === slot) ?? []

/** One step from a place: down and up over the slots that this lesson has, left and right to the nearest lesson that has the slot. */
export function stepFrom(
  set: SetRead,
  from: Place | null,
  down: number,
  right: number,
): Place | null {
  const rows = rowsOf(set).map((row) => row.slot)
  if (!from) {
    const lesson = set.columns.findIndex((column) => column.cells.length)
    const first = set.columns[lesson]?.cells[0]
    return first ? { lesson, slot: first.part.slot_id, part: first.part.id } : null
  }
  let { lesson, slot } = from
  for (;;) {
    lesson += right
    slot = rows[rows.indexOf(slot) + down] ?? ''
    if (!set.columns[lesson] || !slot) return from
    const found = cellsAt(set.columns[lesson], slot)[0]
    if (found) return { lesson, slot, part: found.part.id }
  }
}
