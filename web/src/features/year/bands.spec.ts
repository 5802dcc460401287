import { expect, test } from 'vitest'
import type { Schemas } from '@/api/client'
import { bandsOf, inSight, moved } from './bands'

const concept = (key: string, strand: string) => ({
  key,
  name: key,
  strand,
  sign: key,
  prompt: '',
  in_music: true,
  grade: 2,
})
const arc = (key: string, strand: string, phases: [string, number, number][]) =>
  ({
    concept: concept(key, strand),
    line: 'melody',
    phases: phases.map(([phase, first, last]) => ({ phase, first, last })),
    start: phases[0]?.[1] ?? 0,
    end: phases.at(-1)?.[2] ?? 0,
    begun: false,
    fixed: false,
    core: true,
    short: false,
  }) as Schemas['ArcRead']
const year = (arcs: Schemas['ArcRead'][], more: Partial<Schemas['YearRead']> = {}) =>
  ({
    arcs,
    taught_concepts: [],
    taught: [],
    next_lesson: 1,
    lessons: Array.from({ length: 40 }, () => '2026-11-24'),
    ...more,
  }) as unknown as Schemas['YearRead']

test('arcs that overlap lie in different rows, arcs that follow share one', () => {
  const bands = bandsOf(
    year([
      arc('do', 'Melody', [['prepare', 1, 4]]),
      arc('re', 'Melody', [['prepare', 3, 6]]),
      arc('mi', 'Melody', [['prepare', 5, 8]]),
    ]),
  )
  const melody = bands.find((band) => band.line === 'melody')
  expect(melody?.rows).toBe(2)
  expect(melody?.arcBars.map((one) => one.row)).toEqual([0, 1, 0])
})
test('what was taught stays, and the plan begins with the next lesson', () => {
  const taught_concepts = [1, 2, 3].map((lesson) => ({ lesson, concept: 'do', purpose: 'prepare' }))
  const found = bandsOf(
    year(
      [
        arc('do', 'Melody', [
          ['prepare', 2, 4],
          ['present', 5, 5],
        ]),
      ],
      { taught_concepts, taught: [concept('do', 'Melody')], next_lesson: 4 },
    ),
  )
  const runs = found.find((band) => band.line === 'melody')?.arcBars[0]?.runs
  expect(runs).toEqual([
    { phase: 'prepare', from: 1, to: 3, taught: true },
    { phase: 'prepare', from: 4, to: 4, taught: false },
    { phase: 'present', from: 5, to: 5, taught: false },
  ])
})
test('a move names what it pushed, and by how much', () => {
  const before = year([
    arc('do', 'Melody', [['prepare', 1, 4]]),
    arc('re', 'Melody', [['prepare', 9, 12]]),
  ])
  const after = year([
    arc('do', 'Melody', [['prepare', 3, 6]]),
    arc('re', 'Melody', [['prepare', 9, 12]]),
  ])
  expect(moved(before, after)).toEqual([{ name: 'do', by: 2 }])
})

test('names of narrow arcs keep clear of each other and inside the picture; one walks as one sees', () => {
  const narrow = (key: string, at: number) => arc(key, 'Melody', [['present', at, at]])
  const arcs = [narrow('do', 1), narrow('re', 2), narrow('mi', 3), narrow('fa', 40)]
  const rows = (letters: number) =>
    bandsOf(year(arcs), () => letters)
      .find((band) => band.line === 'melody')
      ?.arcBars.map((one) => [one.concept.key, one.row])
  expect(rows(1)).toEqual([
    ['do', 0],
    ['re', 0],
    ['mi', 0],
    ['fa', 0],
  ])
  expect(rows(2)).toEqual([
    ['do', 0],
    ['re', 1],
    ['mi', 0],
    ['fa', 0],
  ])
  const clash = [...arcs, narrow('so', 38)]
  const [last] = bandsOf(year(clash), () => 3).filter((band) => band.line === 'melody')
  expect(last?.arcBars.find((one) => one.concept.key === 'fa')?.row).not.toBe(
    last?.arcBars.find((one) => one.concept.key === 'so')?.row,
  )
  const beat = arc('beat', 'Rhythm', [['prepare', 9, 10]])
  expect(inSight(bandsOf(year([...arcs, beat])))).toEqual(['beat', 'do', 're', 'mi', 'fa'])
})
