// Three parts take a while to make: the next of the same kind is made while the class reads this one.
import { type Exercise, nextExercise, type Wish } from '@/api/practice'

const MANY = 3 // parts

export function useAhead() {
  let waiting: { for: string; exercise: Promise<Exercise | null> } | null = null
  const nameOf = (section: string, wish: Wish) => JSON.stringify([section, wish])
  async function next(section: string, wish: Wish): Promise<Exercise> {
    const made = waiting?.for === nameOf(section, wish) ? await waiting.exercise : null
    waiting = null
    const found = made ?? (await nextExercise(section, wish))
    const again = { ...(found.wish as unknown as Wish), change: 'same' } as Wish
    if (found.parts.length >= MANY)
      waiting = {
        for: nameOf(section, again),
        exercise: nextExercise(section, again).catch(() => null), // asked for again when it is wanted
      }
    return found
  }
  return { next }
}
