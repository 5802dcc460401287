// Telling what became of a lesson that nobody opened; each answer may be taken back.
import { newId } from '@/api/ids'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import { readLesson } from '@/api/lessons'
import { settled, tell } from '@/api/outbox'
import { queryClient } from '@/api/queries'
import { offerUndo } from '@/composables/useUndo'
import { say } from '@/locales/say'
import { startedNow } from './lessonNow'
import { heldAsPlanned, heldWithoutPlan, lost } from './unopened'

type Unopened = Schemas['UnopenedRead']

async function anew() {
  await settled()
  await queryClient.invalidateQueries()
}
async function telling(one: Unopened, happened: Parameters<typeof tell>, says: string) {
  const ids = await tell(...happened)
  await anew()
  if (!ids) return
  offerUndo(says, async () => {
    const at = { section_id: one.section.id, lesson_id: happened[0]?.lesson_id ?? '' }
    await tell(...ids.map((target_id) => ({ kind: 'taken_back' as const, ...at, target_id })))
    await anew()
  })
}

export function useUnopened() {
  const router = useRouter()
  const asking = ref(false)
  async function asPlanned(one: Unopened) {
    asking.value = true
    const happened = one.lesson_id
      ? heldAsPlanned(await readLesson(one.lesson_id))
      : heldWithoutPlan(one, newId())
    await telling(one, happened, say('unopened-did-held', { name: one.section.name }))
    asking.value = false
  }
  async function wasLost(one: Unopened) {
    asking.value = true
    const lesson = one.lesson_id ?? newId()
    await telling(one, [lost(one, lesson)], say('unopened-did-lost', { name: one.section.name }))
    asking.value = false
  }
  async function otherwise(one: Unopened) {
    if (!one.lesson_id) return
    await tell(startedNow(await readLesson(one.lesson_id)))
    await router.push(`/lessons/${one.lesson_id}/teach`)
  }
  return { asking, asPlanned, wasLost, otherwise }
}
