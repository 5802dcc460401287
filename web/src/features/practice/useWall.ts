// The exercise on the projector of this device: the page says what is on, the wall shows it; no name, no mark, no answer.
import { onUnmounted, ref, watch } from 'vue'
import type { Exercise, Look } from '@/api/practice'
import type { Step } from './useReading'
import type { OnFace } from './useRound'

/** What a task beside reading shows: a card or a line, a hand, or the score. */
export interface OnTask {
  on: boolean
  picture: string
  hand: { degree: string; among: string[] } | null
  score: boolean
}
export const NO_TASK: OnTask = { on: false, picture: '', hand: null, score: false }
export interface OnWall {
  exercise: string
  look: Look
  step: Step
  left: number
  face: OnFace | null
  /** A rhythm that is written in boxes. */
  boxes: Exercise | null
  task: OnTask
}
export const NOTHING: OnWall = {
  ...{ exercise: '', look: { part: 0, shown: 'none', rhythm: false, width: 1100 } },
  ...{ step: 'sing', left: 0, face: null, boxes: null, task: NO_TASK },
}
type Said = { kind: 'on'; wall: OnWall } | { kind: 'here' }
const NAME = 'kopje-practice'

/** Whether a wall is open. */
export function useWall(now: () => OnWall) {
  const channel = new BroadcastChannel(NAME)
  const open = ref(false)
  let seen = 0
  const tell = () => channel.postMessage({ kind: 'on', wall: now() } satisfies Said)
  channel.onmessage = (event: MessageEvent<Said>) => {
    if (event.data.kind !== 'here') return
    seen = Date.now()
    if (!open.value) tell()
    open.value = true
  }
  watch(now, tell, { deep: true })
  const watchdog = window.setInterval(() => (open.value = Date.now() - seen < 5000), 1000)
  onUnmounted(() => {
    window.clearInterval(watchdog)
    channel.close()
  })
  return open
}

/** On the wall: what is on. */
export function useOnWall() {
  const channel = new BroadcastChannel(NAME)
  const on = ref<OnWall | null>(null)
  channel.onmessage = (event: MessageEvent<Said>) => {
    if (event.data.kind === 'on') on.value = event.data.wall
  }
  const here = () => channel.postMessage({ kind: 'here' } satisfies Said)
  here()
  const timer = window.setInterval(here, 2000)
  onUnmounted(() => {
    window.clearInterval(timer)
    channel.close()
  })
  return on
}
