// The teaching screen and the projector view find each other on one device; the projector only hears which part is on.
import { onMounted, onUnmounted, ref } from 'vue'

interface Said {
  kind: 'part' | 'here' | 'who'
  lesson: string
  part?: string
}
const NAME = 'kopje-projector'

/** In the teaching window: say which part is on, and know whether a projector view is open. */
export function useProjectorLink(lesson: () => string, part: () => string) {
  const channel = new BroadcastChannel(NAME)
  const seen = ref(0)
  const open = ref(false)
  const tell = () =>
    channel.postMessage({ kind: 'part', lesson: lesson(), part: part() } satisfies Said)
  channel.onmessage = (event: MessageEvent<Said>) => {
    if (event.data.kind === 'here' && event.data.lesson === lesson()) {
      seen.value = Date.now()
      open.value = true
      tell()
    }
  }
  const watchdog = window.setInterval(() => (open.value = Date.now() - seen.value < 5000), 1000)
  onUnmounted(() => {
    window.clearInterval(watchdog)
    channel.close()
  })
  return { open, tell }
}

/** In the projector window: which part is on. */
export function useProjectedPart(lesson: () => string) {
  const channel = new BroadcastChannel(NAME)
  const part = ref('')
  const here = () => channel.postMessage({ kind: 'here', lesson: lesson() } satisfies Said)
  channel.onmessage = (event: MessageEvent<Said>) => {
    if (
      event.data.kind === 'part' &&
      event.data.lesson === lesson() &&
      event.data.part &&
      part.value !== event.data.part
    )
      part.value = event.data.part
  }
  let timer = 0
  onMounted(() => {
    here()
    timer = window.setInterval(here, 2000)
  })
  onUnmounted(() => {
    window.clearInterval(timer)
    channel.close()
  })
  return part
}
