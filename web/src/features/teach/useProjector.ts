// The teaching screen and the projector view find each other on one device; the projector only hears which part is on.
import { onMounted, onUnmounted, ref } from 'vue'
import type { Schemas } from '@/api/client'
import type { Shown } from '@/api/queries'

/** Which part of a score is sung now, counted from 1; null is all of them. */
export interface Look {
  part: number | null
  alone: boolean
  /** What waited for the class's answer is shown. */
  open?: boolean
  /** What the part reads. */
  exercise?: { id: string; parts: number; reads: string; at: number } | undefined
}
export const ALL: Look = { part: null, alone: false }
/** A score looked at so: the part in full, the others dimmed or left out. */
export const looking = ({ part, alone }: Look): Shown => ({
  layers: [],
  words: true,
  version: '',
  variant: part === null ? {} : { part },
  alone,
})
/** Where the part that is looked at starts; the song itself where all are. */
export const startOf = (song: Schemas['SongBrief'], look: Look) =>
  (look.part === null ? null : song.parts[look.part - 1]?.starting) ?? song.starting
interface Said {
  kind: 'part' | 'here'
  lesson: string
  part?: string
  look?: Look
}
const NAME = 'kopje-projector'

/** In the teaching window: say which part is on, and know whether a projector view is open. */
export function useProjectorLink(lesson: () => string, part: () => string, look: () => Look) {
  const channel = new BroadcastChannel(NAME)
  const seen = ref(0)
  const open = ref(false)
  const tell = () =>
    channel.postMessage({
      kind: 'part',
      lesson: lesson(),
      part: part(),
      look: { ...look() },
    } satisfies Said)
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

/** In the projector window: which part of the lesson is on, and which part of its score is looked at. */
export function useProjectedPart(lesson: () => string) {
  const channel = new BroadcastChannel(NAME)
  const part = ref('')
  const look = ref<Look>(ALL)
  const here = () => channel.postMessage({ kind: 'here', lesson: lesson() } satisfies Said)
  channel.onmessage = (event: MessageEvent<Said>) => {
    const { kind, lesson: whose, part: shown, look: seen = ALL } = event.data
    if (kind !== 'part' || whose !== lesson() || !shown) return
    part.value = shown
    const { part: one, alone, open, exercise } = look.value
    const same = seen.part === one && seen.alone === alone && seen.open === open
    const reads = seen.exercise?.id !== exercise?.id || seen.exercise?.at !== exercise?.at
    if (!same || reads) look.value = seen
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
  return { part, look }
}
