// Words for phases and purposes: the school's own where it has them, else ours.
import { ownPhase } from '@/composables/useWording'
import { say } from './en'

export const phaseName = (phase: string): string => ownPhase(phase) ?? say.year.phases[phase] ?? phase
export const purposeName = (purpose: 'prepare' | 'present' | 'practise'): string => ownPhase(purpose) ?? say.purpose[purpose]
