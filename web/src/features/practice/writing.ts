// Where the next figure or tone goes: bar after bar, what is given stays.
import type { Dictation } from '@/api/lines'

type Task = Pick<Dictation, 'beats' | 'bars' | 'choices'>
export interface Room {
  bar: number
  /** Beats that are free there; of a melody, tones. */
  left: number
}
const beatsOf = (task: Task, value: string) =>
  task.choices.find((one) => one.value === value)?.lengths.reduce((a, b) => a + b, 0) ?? 0
/** How much of a bar is still free. */
function left(task: Task, written: readonly string[], n: number): number {
  const { of } = task.bars[n] ?? { of: 0 }
  if (of) return of - written.length
  return task.beats - written.reduce((sum, one) => sum + beatsOf(task, one), 0)
}
/** The first bar with room; none where all is written. */
export function room(task: Task, bars: readonly string[][]): Room | null {
  for (const [n, written] of bars.entries()) {
    const free = left(task, written, n)
    if (free > 0) return { bar: n, left: free }
  }
  return null
}
export function entered(task: Task, bars: readonly string[][], value: string): string[][] {
  const place = room(task, bars)
  return bars.map((bar, n) => (n === place?.bar ? [...bar, value] : [...bar]))
}
/** Without what was written last; what is given stays. */
export function removed(task: Task, bars: readonly string[][]): string[][] {
  const found = [...bars.entries()]
    .reverse()
    .find(([n, bar]) => bar.length > (task.bars[n]?.given.length ?? 0))
  return bars.map((bar, n) => (n === found?.[0] ? bar.slice(0, -1) : [...bar]))
}
