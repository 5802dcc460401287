// One exercise on the way through the routine: which step, what help stood there, whether it was clean.
import { computed, onUnmounted, ref, shallowRef } from 'vue'
import { type Exercise, type Helped, type Shown, SHOWN } from '@/api/practice'

export type Told = '' | 'clean' | 'broke'
export type Step = 'orient' | 'look' | 'chant' | 'inside' | 'sing' | 'again'
export function useReading(steps: () => readonly Step[], seconds: () => number) {
  const exercise = shallowRef<Exercise | null>(null)
  const at = ref(0)
  const shown = ref<Shown>('none')
  const most = ref<Shown>('none') // of what was shown while it was read: what was seen once has helped
  const modelled = ref(false)
  const broke = ref(false)
  const place = ref<{ bar: number; note: number } | null>(null)
  const given = ref<Helped[]>([])
  const told = ref<Told>('')
  const left = ref(0) // seconds of silence
  let timer = 0
  const step = computed<Step>(() => steps()[at.value] ?? 'sing')

  function quiet() {
    window.clearInterval(timer)
    left.value = 0
  }
  function begin(found: Exercise) {
    quiet()
    exercise.value = found
    at.value = 0
    shown.value = most.value = 'none'
    modelled.value = false
    broke.value = false
    place.value = null
    given.value = []
    told.value = ''
    go(0)
  }
  function go(to: number) {
    quiet()
    at.value = Math.max(0, Math.min(to, steps().length - 1))
    if (step.value === 'again') told.value = '' // read a second time, it is told a second time
    if (step.value !== 'look') return
    left.value = seconds()
    timer = window.setInterval(() => {
      left.value -= 1
      if (left.value <= 0) quiet()
    }, 1000)
  }
  const on = () => go(at.value + 1)
  /** So many steps on in the round of syllables: all, after skips, the first, none. */
  function show(by: number) {
    const now = SHOWN.indexOf(shown.value)
    shown.value = SHOWN[(now + by + SHOWN.length) % SHOWN.length] ?? 'none'
    if (SHOWN.indexOf(shown.value) < SHOWN.indexOf(most.value)) most.value = shown.value
  }
  onUnmounted(quiet)
  return {
    ...{ exercise, at, step, shown, most, modelled, broke, place, given, told, left },
    ...{ begin, go, on, show, quiet },
  }
}
