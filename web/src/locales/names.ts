// Words for phases and purposes: the school's own where it has them, else ours.
import { ownPhase } from '@/composables/useWording'
import { sayOf } from './say'

/** What a stone says. */
export function standingName(level: string, due = false, partly = false): string {
  return sayOf('standing', partly ? 'partly' : due ? (level === 'once' ? 'once_due' : 'due') : level)
}
export const phaseName = (phase: string): string => ownPhase(phase) ?? sayOf('year-phases', phase)
export const purposeName = (purpose: 'prepare' | 'present' | 'practise'): string => ownPhase(purpose) ?? sayOf('purpose', purpose)
