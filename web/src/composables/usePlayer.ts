// Hearing a piece while its moment is known: our own by its tones, a file of the teacher's, or a clock beside her disc.
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { performer, type PlayedTone, silence } from '@/composables/useSound'

const STEP = 50 // milliseconds between two looks at the clock

export function usePlayer(
  own: () => (() => Promise<readonly PlayedTone[]>) | null,
  length: () => number,
) {
  const playing = ref(false)
  const now = ref(0)
  const file = shallowRef<HTMLAudioElement | null>(null)
  const fileName = ref('')
  const problem = ref('')
  let began = 0
  let timer = 0
  let asked = 0
  const kind = computed(() => (file.value ? 'file' : own() ? 'own' : 'clock'))

  function look() {
    now.value = file.value ? file.value.currentTime * 1000 : performance.now() - began
    const end = length()
    if (kind.value !== 'clock' && end && now.value >= end) stop(true)
  }
  async function start(from = now.value) {
    stop()
    const mine = (asked += 1)
    problem.value = ''
    const at = length() && from >= length() - STEP ? 0 : from
    try {
      if (file.value) {
        file.value.currentTime = at / 1000
        await file.value.play()
      } else {
        const tones = await own()?.()
        const play = tones && (await performer(tones))
        if (mine !== asked) return // stopped, or asked again, meanwhile
        play?.(at)
      }
    } catch (reason) {
      problem.value = reason instanceof Error ? reason.message : String(reason)
      return
    }
    if (mine !== asked) return
    now.value = at
    began = performance.now() - at
    playing.value = true
    timer = window.setInterval(look, STEP)
  }
  function stop(rewind = false) {
    asked += 1
    window.clearInterval(timer)
    file.value?.pause()
    silence()
    playing.value = false
    if (rewind) now.value = 0
  }
  /** Listen to a file of one's own; it stays on this device. */
  function open(chosen: File): Promise<number> {
    stop(true)
    if (file.value) URL.revokeObjectURL(file.value.src)
    const audio = new Audio(URL.createObjectURL(chosen))
    return new Promise((found, failed) => {
      audio.addEventListener('loadedmetadata', () => {
        file.value = audio
        fileName.value = chosen.name
        found(Math.round(audio.duration * 1000))
      })
      audio.addEventListener('error', () => failed(new Error(chosen.name)))
    })
  }
  onScopeDispose(() => {
    stop()
    if (file.value) URL.revokeObjectURL(file.value.src)
  })
  return { playing, now, kind, fileName, problem, start, stop, open }
}
