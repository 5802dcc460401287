// What a part of the lesson reads: made when it is opened, one key gives the next of the same level; whether it was clean is kept.
import { ref, shallowRef, watch } from 'vue'
import { type Exercise, partExercise, tellReadIn } from '@/api/practice'
import { useKeep } from '@/composables/useKeep'

interface Part {
  id: string
  reads: '' | 'line' | 'cards' | 'change'
}
export function usePartExercise(
  lesson: () => string,
  section: () => string,
  part: () => Part | undefined,
) {
  const exercise = shallowRef<Exercise | null>(null)
  const told = ref<'' | 'clean' | 'broke'>('')
  const at = ref(0) // which of its cards or changes
  const { refused, busy, keep } = useKeep()
  async function open(asked: Parameters<typeof partExercise>[2]) {
    const now = part()
    if (!now?.reads || busy.value) return
    await keep(async () => {
      const found = await partExercise(lesson(), now.id, asked)
      if (part()?.id !== now.id) return
      exercise.value = found
      at.value = 0
      told.value = ''
    })
  }
  watch(
    () => part()?.id,
    () => {
      exercise.value = null
      told.value = ''
      void open({ fresh: false, change: 'same' })
    },
    { immediate: true },
  )
  const fresh = () => open({ fresh: true, change: 'same' })
  /** The next card, the next change. */
  function step() {
    const reads = part()?.reads
    if (reads === 'cards') at.value = (at.value + 1) % (exercise.value?.bars ?? 1)
    if (reads === 'change') at.value += 1
  }
  async function tellIt(clean: boolean) {
    const now = exercise.value
    if (!now || told.value) return
    const ids = await tellReadIn(section(), lesson(), {
      ...{ exercise: now.id, clean, shown: 'none', modelled: false, again: false, part: 0 },
    })
    if (ids) told.value = clean ? 'clean' : 'broke'
  }
  return { exercise, at, told, refused, busy, fresh, step, tellIt }
}
