// Words for phases and purposes: the school's own where it has them, else ours.
import { ownPhase } from '@/composables/useWording'
import { say, sayOf } from './say'

/** A set of tones, of which the name may end in “+chromatic”. */
export function toneSetName(name: string | null): string {
  if (!name) return ''
  const [plain = '', more] = name.split('+')
  const said = sayOf('song-tone-sets', plain)
  return more ? say('song-tone-sets-and-chromatic', { name: said }) : said
}
/** What a stone says. */
export function standingName(level: string, due = false, partly = false): string {
  return sayOf(
    'standing',
    partly ? 'partly' : due ? (level === 'once' ? 'once_due' : 'due') : level,
  )
}
export const phaseName = (phase: string): string => ownPhase(phase) ?? sayOf('year-phases', phase)
export const purposeName = (purpose: 'prepare' | 'present' | 'practise'): string =>
  ownPhase(purpose) ?? sayOf('purpose', purpose)

/** The grade of a section, or the two of a split class. */
export const gradesName = (section: { grade: number; upper: number }): string =>
  section.upper === section.grade
    ? say('grade-of', { n: section.grade })
    : say('grades-of', {
        low: say('grade-of', { n: section.grade }),
        high: say('grade-of', { n: section.upper }),
      })

/** What changes in a recorded piece, in words, by moment. */
export const changesIn = (marks: readonly { at: number; change: string }[]) =>
  marks.flatMap(({ at, change }) => (change ? [{ at, says: sayOf('pieces-change', change) }] : []))
