// Words for phases and purposes: the school's own where it has them, else ours.
import { ownPhase } from '@/composables/useWording'
import { say } from './en'

/** What a stone says. */
export function standingName(level: string, due = false, partly = false): string {
  const known = say.standing as Record<string, string>
  return known[partly ? 'partly' : due ? (level === 'once' ? 'once_due' : 'due') : level] ?? ''
}
export const phaseName = (phase: string): string => ownPhase(phase) ?? say.year.phases[phase] ?? phase
export const purposeName = (purpose: 'prepare' | 'present' | 'practise'): string => ownPhase(purpose) ?? say.purpose[purpose]
