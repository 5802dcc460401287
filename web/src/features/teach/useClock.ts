// How long the lesson and the part that is on have lasted, by the school's clock as it was when the lesson was read.
import { computed, onUnmounted, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'

export function useClock(
  lesson: () => Schemas['LessonRead'] | undefined,
  part: () => Schemas['PartRead'] | undefined,
) {
  const now = ref(Date.now())
  const timer = window.setInterval(() => (now.value = Date.now()), 1000)
  onUnmounted(() => window.clearInterval(timer))
  const begun = ref(0)
  const partBegun = ref(0)
  // The earliest that any reading says: what this page knows already is not forgotten by a clock that stands still.
  watch(
    () => [lesson()?.id, lesson()?.elapsed, lesson()?.since] as const,
    ([, elapsed, since], before) => {
      if (before?.[0] !== lesson()?.id) begun.value = partBegun.value = 0
      const at = Date.now()
      if (typeof elapsed === 'number')
        begun.value = begun.value ? Math.min(begun.value, at - elapsed * 1000) : at - elapsed * 1000
      if (typeof since === 'number' && !partBegun.value) partBegun.value = at - since * 1000
    },
    { immediate: true },
  )
  watch(
    () => part()?.id,
    (_, before) => {
      if (before !== undefined) partBegun.value = Date.now()
    },
  )
  const minutes = (from: number) => (from ? Math.max(now.value - from, 0) / 60_000 : 0)
  /** Minutes that are left of the lesson by its own length, from the moment it began. */
  const left = computed(() => Math.ceil((lesson()?.minutes ?? 0) - minutes(begun.value)))
  const spent = computed(() => minutes(partBegun.value))
  /** Minutes of the part that are left; below nothing it has taken longer. */
  const partLeft = computed(() => Math.ceil((part()?.minutes ?? 0) - spent.value))
  const share = computed(() => Math.min(spent.value / Math.max(part()?.minutes ?? 1, 1), 1))
  return { left, partLeft, share, seconds: computed(() => now.value) }
}
