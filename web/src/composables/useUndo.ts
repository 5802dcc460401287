// What was just done and can be taken back, one at a time: the bar at the foot of the window says it.
import { reactive } from 'vue'

export const undoable = reactive<{ says: string; back: (() => Promise<unknown>) | null }>({
  says: '',
  back: null,
})

/** Say what was done, and how it is taken back. */
export function offerUndo(says: string, back: () => Promise<unknown>): void {
  Object.assign(undoable, { says, back })
}
export function forgetUndo(): void {
  Object.assign(undoable, { says: '', back: null })
}
