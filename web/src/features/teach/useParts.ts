// The parts of the lesson in the order they are taken, and which one is on. What was moved or made longer on the way is remembered in
// this tab, so that it is there again after a reload.
import { computed, reactive, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'

type Part = Schemas['PartRead']
interface Kept {
  order: string[]
  longer: Record<string, number>
}
const KEY = (lesson: string) => `kopje-way-${lesson}`
function read(lesson: string): Kept {
  try {
    return JSON.parse(sessionStorage.getItem(KEY(lesson)) ?? '') as Kept
  } catch {
    return { order: [], longer: {} } // nothing was moved yet
  }
}
export const MORE = 2 // minutes that one press gives

export function useParts(lesson: () => string, planned: () => readonly Part[]) {
  const way = reactive<Kept>({ order: [], longer: {} })
  const at = ref(-1)
  watch(
    lesson,
    (id) => {
      Object.assign(way, read(id))
      at.value = -1
    },
    { immediate: true },
  )
  watch(way, () => sessionStorage.setItem(KEY(lesson()), JSON.stringify(way)))
  const parts = computed(() => {
    const place = new Map(way.order.map((id, index) => [id, index]))
    const list = planned().map((one) => {
      const more = way.longer[one.id] ?? 0
      return more ? { ...one, minutes: one.minutes + more } : one
    })
    if (!place.size) return list
    // What is not in the order that was made here stays where the plan has it.
    return list
      .map((one, index) => ({ one, at: place.get(one.id) ?? index }))
      .sort((a, b) => a.at - b.at)
      .map(({ one }) => one)
  })
  watch(
    parts,
    (list) => {
      if (at.value < 0 && list.length)
        at.value = Math.max(
          list.findIndex((one) => !one.tick),
          0,
        )
    },
    { immediate: true },
  )
  const part = computed(() => parts.value[at.value])
  const next = computed(() => parts.value.slice(at.value + 1).filter((one) => !one.tick))
  const ending = computed(() => at.value >= parts.value.length && parts.value.length > 0)
  function go(by: number) {
    at.value = Math.min(Math.max(at.value + by, 0), parts.value.length)
  }
  function longer() {
    const id = part.value?.id
    if (id) way.longer[id] = (way.longer[id] ?? 0) + MORE
  }
  /** Put one of the parts that come in the place of the one that is on; that one comes after it. */
  function bring(id: string) {
    const ids = parts.value.map((one) => one.id)
    const from = ids.indexOf(id)
    if (from < 0 || !part.value) return
    ids.splice(from, 1)
    ids.splice(Math.min(at.value, ids.length), 0, id)
    way.order = ids
  }
  const swap = () => next.value[0] && bring(next.value[0].id)
  /** The first thing to come that is done sitting. */
  const calm = computed(() =>
    part.value?.energy === 'seated' ? undefined : next.value.find((one) => one.energy === 'seated'),
  )
  return { parts, part, next, at, ending, go, longer, swap, bring, calm }
}
