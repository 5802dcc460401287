// How quickly this round goes: seconds a child, from the marks that were made one by one.
import { computed, type Ref, ref, watch } from 'vue'
import type { Done } from './useQueue'

const LEAST = 3 // marks, before a pace can be told
export function usePace(done: Ref<readonly Done[]>) {
  const moments = ref<{ act: number; at: number }[]>([])
  watch(
    () => done.value.filter((one) => one.heard).at(-1)?.act,
    (act) => {
      const there = new Set(done.value.map((one) => one.act))
      const kept = moments.value.filter((one) => there.has(one.act))
      if (act && !kept.some((one) => one.act === act)) kept.push({ act, at: Date.now() })
      moments.value = kept
    },
  )
  return computed(() => {
    const [first, last] = [moments.value[0], moments.value.at(-1)]
    if (!first || !last || moments.value.length < LEAST) return null
    return Math.round((last.at - first.at) / 1000 / (moments.value.length - 1))
  })
}
