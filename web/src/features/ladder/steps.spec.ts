import { describe, expect, it } from 'vitest'
import { exchanged, isLevel, moved, newHere, numbers, type Rung, rungIn } from './steps'

const rung = (key: string, strand: Rung['strand'], holds: string[] = []) =>
  ({ key, strand, name: key, height: 1, holds: [key, ...holds] }) as Rung
const rungs = [
  rung('p1', 'pitch'),
  rung('p2', 'pitch', ['p1']),
  rung('r1', 'rhythm'),
  rung('v1', 'parts'),
  rung('tie', 'signs'),
]

describe('a ladder that is being changed', () => {
  it('finds the rung of a strand, and tells a level from a sign', () => {
    expect(rungIn(['p2', 'r1', 'v1'], 'pitch', rungs)?.key).toBe('p2')
    expect(rungIn(['tie'], 'pitch', rungs)).toBeUndefined()
    expect([isLevel(['p2', 'r1', 'v1']), isLevel(['tie'])]).toEqual([true, false])
  })
  it('moves a step within its ends and leaves the rest in order', () => {
    expect(moved(['a', 'b', 'c'], 0, 1)).toEqual(['b', 'a', 'c'])
    expect(moved(['a', 'b', 'c'], 0, -1)).toEqual(['a', 'b', 'c'])
    expect(moved(['a', 'b', 'c'], 2, 1)).toEqual(['a', 'b', 'c'])
  })
  it('exchanges one rung', () => {
    expect(exchanged(['p1', 'r1', 'v1'], 'p1', 'p2')).toEqual(['p2', 'r1', 'v1'])
  })
  it('calls new what no step before holds, also not under a higher rung', () => {
    const steps = [['p2', 'r1', 'v1'], ['tie'], ['p1', 'r1', 'v1', 'tie']]
    expect(newHere(steps, 0, rungs)).toEqual(['p2', 'r1', 'v1'])
    expect(newHere(steps, 1, rungs)).toEqual(['tie'])
    expect(newHere(steps, 2, rungs)).toEqual([])
  })
  it('numbers levels only', () => {
    expect(numbers([['p1', 'r1', 'v1'], ['tie'], ['p2', 'r1', 'v1']])).toEqual([1, null, 2])
  })
})
