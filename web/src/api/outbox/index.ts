// The one way for what happened in class: kept on this device first, then sent from wherever one is in the application.
import { computed, readonly, ref, shallowRef } from 'vue'
import { api, body, type Schemas } from '../client'
import * as kept from './kept'
import { moveOver } from './moveOver'
import { type Post, sendAll, type Trouble } from './send'

export type { Happened, Kept } from './kept'

export const LONG = 24 * 60 * 60_000 // milliseconds after which what waits is warned of
const AGAIN = [2_000, 4_000, 8_000, 16_000, 30_000]
const here = shallowRef<readonly kept.Kept[]>([])
const owner = ref('')
const trouble = ref<Trouble>('none')
const full = ref(false)
const sent = ref(0) // rises when something has reached the server
let tries = 0
let timer = 0
let running: Promise<void> | undefined

const others = new BroadcastChannel('kopje-outbox')
others.onmessage = () => void look()

const post: Post = (now, events) => body(api.POST('/api/events', { body: { sent: now, events } }))

async function look(): Promise<void> {
  here.value = owner.value ? await kept.of(owner.value) : []
}
async function changed(): Promise<void> {
  await look()
  others.postMessage('changed')
}

/** Send what waits; tried again, ever more slowly, while Kopje does not answer. */
export function send(): Promise<void> {
  return (running ??= sendOnce().finally(() => (running = undefined)))
}
async function sendOnce(): Promise<void> {
  const mine = owner.value
  if (!mine) return
  window.clearTimeout(timer)
  const before = here.value.length
  try {
    await moveOver(mine)
    trouble.value = await sendAll(mine, post)
  } catch {
    trouble.value = 'away' // Kopje did not answer; everything is kept
  }
  if (trouble.value === 'away')
    timer = window.setTimeout(() => void send(), AGAIN[Math.min(tries++, AGAIN.length - 1)])
  else tries = 0
  await changed()
  if (here.value.length < before || trouble.value === 'none') sent.value += 1
}

const looked = ref(false)
/** Somebody is signed in: what waits of theirs is theirs to see and to send; of others nothing is shown or sent. */
export async function begin(teacher: string): Promise<void> {
  if (owner.value === teacher) return
  owner.value = teacher
  await look()
  looked.value = true
  void send()
}
/** Signed out: what waits stays on this device, locked to its owner. */
export function end(): void {
  owner.value = ''
  here.value = []
  looked.value = false
  trouble.value = 'none'
}
window.addEventListener('online', () => void send())
document.addEventListener(
  'visibilitychange',
  () => document.visibilityState === 'visible' && void send(),
)

type At = Pick<Schemas['MarkedBody'], 'section_id' | 'lesson_id' | 'part_id' | 'day'>
/** A mark is taken back where it was made, and another one stands for it, here or elsewhere; the record keeps both. */
export function instead(
  mark: Schemas['MarkRead'],
  made: Pick<At, 'section_id' | 'lesson_id'>,
  at: At,
  change: Partial<Pick<Schemas['MarkedBody'], 'result' | 'concept'>> = {},
): kept.Happened[] {
  const { child_id, concept, way, voices, help, result } = mark
  return [
    { kind: 'taken_back', ...made, target_id: mark.id },
    {
      ...{ kind: 'marked', ...at, child_id, concept, way, voices, help, result },
      ...change,
      supersedes: mark.id,
    },
  ]
}

/** Keep what happened. It comes back once it is on the disk (false where this device has no room for it), and is sent from then on. */
export async function tell(...happened: kept.Happened[]): Promise<string[] | false> {
  try {
    const made = await kept.keep(owner.value, happened)
    full.value = false
    await changed()
    void (running ? running.then(send) : send())
    return made.map((one) => one.id)
  } catch {
    full.value = true
    return false
  }
}

/** Drop an event that the server would not have. */
export async function dropRefused(id: string): Promise<void> {
  await kept.forget([id])
  await changed()
}
/** Try an event once more that the server would not have. */
export async function tryRefused(id: string): Promise<void> {
  await kept.refuse(id, '')
  await changed()
  await send()
}

/** Wait until everything has been sent, or something keeps it from being sent. */
export async function settled(): Promise<void> {
  await running
  if (here.value.some((one) => !one.refused)) await send()
}

export const outbox = {
  kept: computed(() => here.value),
  waiting: computed(() => here.value.filter((one) => !one.refused).length),
  /** When the first of what waits was told, in milliseconds since 1970; infinity where nothing waits. */
  since: computed(() =>
    here.value
      .filter((one) => !one.refused)
      .reduce((first, one) => Math.min(first, Date.parse(one.event.clock)), Infinity),
  ),
  refused: computed(() => here.value.filter((one) => one.refused)),
  trouble: readonly(trouble),
  full: readonly(full),
  /** Whether this device's disk was looked at: before that nothing is known to be sent. */
  looked: readonly(looked),
  sent: readonly(sent),
}
