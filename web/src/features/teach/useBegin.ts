// Beginning a lesson: once asked where it is not the time for it, or where another one is still running.
import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import { tell } from '@/api/outbox'
import { useDay } from '@/api/queries'
import { clock, minutesUntil, weekday } from '@/composables/words'
import { say } from '@/locales/say'
import { startedNow } from './lessonNow'

const EARLY = 45 // minutes before it begins in which it is its time already

export function useBegin(lesson: MaybeRefOrGetter<Schemas['LessonRead'] | undefined>) {
  const router = useRouter()
  const day = useDay()
  const asked = ref('')
  /** Another lesson of today that began and was not ended. */
  const other = computed(() =>
    day.data.value?.entries.find(
      (one) => one.state === 'running' && one.lesson_id !== toValue(lesson)?.id,
    ),
  )
  const why = computed(() => {
    const one = toValue(lesson)
    const today = day.data.value
    if (!one || !today || one.state !== 'planned') return ''
    if (other.value) return say('begin-other', { name: other.value.section.name })
    const ahead = minutesUntil(today.now, one.starts)
    if (one.day !== today.today || ahead > EARLY || ahead + one.minutes < 0)
      return say('begin-not-now', {
        day: weekday(one.day),
        time: clock(one.starts),
      })
    return ''
  })
  /** What is asked now, until it is pressed again. */
  const asks = computed(() => (asked.value === toValue(lesson)?.id ? why.value : ''))
  async function begin() {
    const one = toValue(lesson)
    if (!one) return
    if (why.value && asked.value !== one.id) {
      asked.value = one.id
      return
    }
    if (one.state === 'planned') await tell(startedNow(one))
    await router.push(`/lessons/${one.id}/teach`)
  }
  return { begin, asks, other }
}
