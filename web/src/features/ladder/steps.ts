// A ladder while it is being changed: steps as lists of rungs, moved, taken out and put in.
import type { Schemas } from '@/api/client'

export type Rung = Schemas['LadderRungRead']
export type Strand = Rung['strand']
export const STRANDS = ['pitch', 'rhythm', 'parts'] as const

/** The rung of a strand that a step stands on. */
export function rungIn(step: readonly string[], strand: Strand, rungs: readonly Rung[]) {
  return rungs.find((one) => one.strand === strand && step.includes(one.key))
}
/** Whether it is a level, and not a sign taken up by itself. */
export const isLevel = (step: readonly string[]) => step.length >= STRANDS.length

export function exchanged(step: readonly string[], now: string | undefined, by: string): string[] {
  return step.map((key) => (key === now ? by : key))
}
export function moved<T>(steps: readonly T[], at: number, by: number): T[] {
  const there = at + by
  if (there < 0 || there >= steps.length) return [...steps]
  const next = [...steps]
  next.splice(there, 0, ...next.splice(at, 1))
  return next
}
/** What no step before it has had, alone or under a higher rung of its strand. */
export function newHere(steps: readonly string[][], at: number, rungs: readonly Rung[]): string[] {
  const before = steps.slice(0, at).flat()
  return (steps[at] ?? []).filter((key) => {
    const rung = rungs.find((one) => one.key === key)
    return rung && !rungs.some((one) => before.includes(one.key) && one.holds.includes(rung.key))
  })
}
/** The number of each level; signs have none. */
export function numbers(steps: readonly string[][]): (number | null)[] {
  let n = 0
  return steps.map((step) => (isLevel(step) ? ++n : null))
}
