// One exercise on the way through the routine: which step, what help stood there, whether it was clean.
import { computed, onUnmounted, ref } from 'vue'
import { type Exercise, HELPED, type Helped, type Shown, SHOWN } from '@/api/practice'

export type Step = 'orient' | 'look' | 'chant' | 'inside' | 'sing' | 'again'
export function useReading(steps: () => readonly Step[], seconds: () => number) {
  const exercise = ref<Exercise | null>(null)
  const at = ref(0)
  const shown = ref<Shown>('none')
  const modelled = ref(false)
  const broke = ref(false)
  const place = ref<{ bar: number; note: number } | null>(null)
  const given = ref<Helped[]>([])
  const told = ref<'' | 'clean' | 'broke'>('')
  const left = ref(0) // seconds of silence
  let timer = 0
  const step = computed<Step>(() => steps()[at.value] ?? 'sing')
  const nextHelp = computed(() => HELPED.find((one) => !given.value.includes(one)) ?? null)

  function quiet() {
    window.clearInterval(timer)
    left.value = 0
  }
  function begin(found: Exercise, help: Shown) {
    quiet()
    exercise.value = found
    at.value = 0
    shown.value = help
    modelled.value = false
    broke.value = false
    place.value = null
    given.value = []
    told.value = ''
  }
  function go(to: number) {
    quiet()
    at.value = Math.max(0, Math.min(to, steps().length - 1))
    if (step.value !== 'look') return
    left.value = seconds()
    timer = window.setInterval(() => {
      left.value -= 1
      if (left.value <= 0) quiet()
    }, 1000)
  }
  const on = () => go(at.value + 1)
  /** A step more or less of syllables; what was shown once counts as help. */
  function show(by: number) {
    const now = SHOWN.indexOf(shown.value)
    shown.value = SHOWN[(now + by + SHOWN.length) % SHOWN.length] ?? 'none'
  }
  onUnmounted(quiet)
  return {
    ...{ exercise, at, step, shown, modelled, broke, place, given, told, left, nextHelp },
    ...{ begin, go, on, show, quiet },
  }
}
