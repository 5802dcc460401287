// What can be done with an exercise beside reading it.
import type { Exercise, Offer, Wish } from '@/api/practice'

export type Task = 'signs' | 'echo' | 'cards' | 'change' | 'write' | 'tap'
export type Form = 'read' | Task
/** In the order in which they stand in the row. Signs are for tones, and only a rhythm changes figure by figure. */
export function formsOf(exercise: Exercise | null): readonly Form[] {
  return exercise?.do
    ? ['read', 'signs', 'echo', 'cards', 'write', 'tap']
    : ['read', 'change', 'cards', 'echo', 'write', 'tap']
}
/** An exercise of an offer as it usually is. */
export const plainWish = ({ sort, due }: Pick<Offer, 'sort' | 'due'>): Wish => ({
  ...{ sort, due, bars: 4, meter: '', do: '', motion: 'leaps' },
  ...{ dose: 'some', plain: false, change: 'same' },
})
