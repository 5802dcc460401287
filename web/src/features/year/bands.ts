// A year in bands: for each concept what was taught and what is laid, in runs of lessons, stacked into rows.
import type { Schemas } from '@/api/client'

export interface Run {
  phase: string
  from: number
  to: number
  taught: boolean
}
export interface ArcBar {
  concept: Schemas['ConceptRead']
  line: 'rhythm' | 'melody' | 'other'
  runs: Run[]
  first: number
  last: number
  row: number
  review: boolean
  arc: Schemas['ArcRead'] | undefined
}
export interface Band {
  line: 'rhythm' | 'other' | 'melody'
  rows: number
  warm: boolean
  arcBars: ArcBar[]
}
const RHYTHM = new Set(['Beat and tempo', 'Rhythm', 'Meter'])
const MELODY = new Set(['Melody', 'Tonality'])

function lineOf(strand: string): ArcBar['line'] {
  return RHYTHM.has(strand) ? 'rhythm' : MELODY.has(strand) ? 'melody' : 'other'
}

/** Lessons of one phase that follow each other become one run. */
function runsOf(lessons: { lesson: number; phase: string }[], taught: boolean): Run[] {
  const runs: Run[] = []
  for (const { lesson, phase } of [...lessons].sort((a, b) => a.lesson - b.lesson)) {
    const last = runs.at(-1)
    if (last && last.phase === phase && lesson - last.to <= 1) last.to = Math.max(last.to, lesson)
    else runs.push({ phase, from: lesson, to: lesson, taught })
  }
  return runs
}

/** `letters`: how many lessons wide a name is drawn, so that names of narrow bars keep clear of each other. */
export function bandsOf(
  year: Schemas['YearRead'],
  letters: (name: string) => number = () => 0,
): Band[] {
  const concepts = new Map<string, ArcBar>()
  const of = (concept: Schemas['ConceptRead']) => {
    const found = concepts.get(concept.key) ?? {
      concept,
      line: lineOf(concept.strand),
      runs: [],
      first: Infinity,
      last: 0,
      row: 0,
      review: false,
      arc: undefined,
    }
    concepts.set(concept.key, found)
    return found
  }
  for (const concept of year.taught) {
    const mine = year.taught_concepts.filter((taught) => taught.concept === concept.key)
    of(concept).runs.push(
      ...runsOf(
        mine.map((taught) => ({ lesson: taught.lesson, phase: taught.purpose })),
        true,
      ),
    )
  }
  for (const arc of year.arcs) {
    const bar = of(arc.concept)
    bar.arc = arc
    const coming = arc.phases
      .map(({ phase, first, last }) => ({
        phase,
        from: Math.max(first, year.next_lesson),
        to: last,
        taught: false,
      }))
      .filter((run) => run.from <= run.to)
    bar.runs.push(...coming)
  }
  const every = [...concepts.values()].filter((one) => one.runs.length)
  for (const one of every) {
    one.first = Math.min(...one.runs.map((run) => run.from))
    one.last = Math.max(...one.runs.map((run) => run.to))
    one.review = !one.arc && one.runs.every((run) => run.phase === 'practise')
  }
  return (['rhythm', 'other', 'melody'] as const).map((line) =>
    stacked(
      line,
      every.filter((one) => one.line === line),
      year.lessons.length,
      letters,
    ),
  )
}

/** The arcs in the order one sees them: band by band, each from left to right. */
export function inSight(bands: readonly Band[]): string[] {
  return bands.flatMap((band) =>
    band.arcBars
      .filter((one) => !one.review)
      .sort((a, b) => a.first - b.first || a.row - b.row)
      .map((one) => one.concept.key),
  )
}

/** Each bar in the lowest row that is free where it lies; what was only kept warm shares one thin row. */
function stacked(
  line: Band['line'],
  arcBars: ArcBar[],
  lessons: number,
  letters: (name: string) => number,
): Band {
  const ends: number[] = []
  for (const one of arcBars
    .filter((each) => !each.review)
    .sort((a, b) => a.first - b.first || a.last - b.last)) {
    const wide = letters(one.concept.name)
    const from = Math.min(one.first, Math.max(lessons + 1 - wide, 1)) // a name never leaves the picture
    const free = ends.findIndex((end) => end < from)
    one.row = free < 0 ? ends.length : free
    ends[one.row] = Math.max(one.last, from + wide - 1)
  }
  return {
    line,
    rows: Math.max(ends.length, 1),
    arcBars,
    warm: arcBars.some((each) => each.review),
  }
}

/** What a change moved: concepts whose first or last lesson is another now. */
export function moved(
  before: Schemas['YearRead'],
  after: Schemas['YearRead'],
): { name: string; by: number }[] {
  const starts = new Map(before.arcs.map((arc) => [arc.concept.key, arc.start]))
  return after.arcs
    .map((arc) => ({
      name: arc.concept.name,
      by: arc.start - (starts.get(arc.concept.key) ?? arc.start),
    }))
    .filter((one) => one.by !== 0)
}
