// The hearing queue of one part of the lesson: the next name is up at once, and the last mark can be taken back.
import { computed, ref, type Ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { type Result, useMarks } from './useMarks'

interface Done {
  child: string
  name: string
  result: Result | 'absent'
  mark: string
}

export function useQueue(lesson: () => string, cell: () => string, hearing: Ref<Schemas['HearingRead'] | undefined>) {
  const marks = useMarks()
  const done = ref<Done[]>([])
  const picked = ref('')
  const gone = computed(() => new Set(done.value.map((one) => one.child)))
  const waiting = computed(() => (hearing.value?.queue ?? []).filter((place) => !gone.value.has(place.child_id)))
  const four = computed(() => waiting.value.slice(0, 4))
  const then = computed(() => waiting.value.slice(4, 6))
  const current = computed(() => four.value.find((place) => place.child_id === picked.value) ?? four.value[0])
  watch(lesson, () => (done.value = []))

  function give(result: Result | 'absent') {
    const place = current.value
    const now = hearing.value
    if (!place || !now) return
    let mark = ''
    if (result === 'absent') marks.absent(lesson(), place.child_id, true)
    else mark = marks.mark({ lesson_id: lesson(), cell_id: cell(), child_id: place.child_id, concept: now.concept.key, result, help: null, moment: new Date().toISOString() })
    done.value.push({ child: place.child_id, name: place.name, result, mark })
    picked.value = ''
  }
  function undo() {
    const last = done.value.pop()
    if (!last) return
    if (last.result === 'absent') marks.absent(lesson(), last.child, false)
    else marks.withdraw(last.mark)
    picked.value = last.child
  }
  return { four, then, current, picked, done, give, undo, marks }
}
