// Which rows and columns of the ledger are shown: a strand, what has its name, who is due, unheard or not there yet; by name or wait.
import type { Schemas } from '@/api/client'

export type Shows = 'all' | 'due' | 'not_heard' | 'not_yet'
export interface Filter {
  strand: string
  phase: 'all' | 'named' | 'unnamed'
  shows: Shows
  by: 'name' | 'wait'
}
export const EVERYTHING: Filter = { strand: '', phase: 'all', shows: 'all', by: 'name' }
const LETTERS: Record<Exclude<Shows, 'all' | 'not_heard'>, string> = { due: 'de', not_yet: 'yYnN' }
type Ledger = Schemas['LedgerRead']

export function columnsOf(ledger: Ledger, { strand, phase }: Filter): Schemas['ColumnRead'][] {
  return ledger.columns.filter(
    (one) =>
      (!strand || one.concept.strand === strand) &&
      (phase === 'all' || (phase === 'named') === (one.named || one.declared)),
  )
}
/** Places on the roll; of the columns that are shown one stone is enough. */
export function rowsOf(
  ledger: Ledger,
  columns: readonly Schemas['ColumnRead'][],
  { shows, by }: Filter,
): number[] {
  const every = ledger.children.map((_, place) => place)
  const rows = shows === 'all' ? every : matching(ledger, columns, shows, every)
  if (by === 'name') return rows
  const last = (place: number) => ledger.children[place]?.last ?? ''
  return [...rows].sort((a, b) => last(a).localeCompare(last(b)))
}
function matching(
  ledger: Ledger,
  columns: readonly Schemas['ColumnRead'][],
  shows: Exclude<Shows, 'all'>,
  every: number[],
): number[] {
  const found = new Set<number>()
  for (const { concept } of columns) {
    const stones = new Map(
      (ledger.stones[concept.key] ?? '')
        .split(' ')
        .filter(Boolean)
        .map((stone) => [Number(stone.slice(0, -1)), stone.slice(-1)] as const),
    )
    for (const place of every) {
      const letter = stones.get(place)
      if (shows === 'not_heard' ? !letter : letter && LETTERS[shows].includes(letter))
        found.add(place)
    }
  }
  return every.filter((place) => found.has(place))
}
