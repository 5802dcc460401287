// The hearing queue of one part of the lesson: the next name is up at once, the mark's sign once it is safe, and the last one can be
// taken back.
import { computed, ref, type Ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { outbox, tell } from '@/api/outbox'
import { counting } from './lessonNow'

export type Result = Schemas['MarkedBody']['result']
export type Broke = NonNullable<Schemas['MarkedBody']['broke']>[number]
export interface Done {
  child: string
  name: string
  result: Result | 'absent'
  /** Of a reading that broke, in which strands; what was heard, so that it can be said anew. */
  broke: Broke[]
  heard: Omit<Schemas['MarkedBody'], EventsOwn> | null
  /** The event once it is on the disk; empty for the moment before. */
  event: string
}

type EventsOwn = 'id' | 'clock' | 'device' | 'sequence'

export function useQueue(
  section: () => string,
  lesson: () => string,
  part: () => string,
  hearing: Ref<Schemas['HearingRead'] | undefined>,
) {
  const done = ref<Done[]>([])
  const saving = new Map<string, ReturnType<typeof tell>>()
  const undoing = new Set<string>()
  const picked = ref('')
  // Also what another tab, or this one before it was closed, has marked and not sent yet.
  const unsent = computed(
    () =>
      new Set(
        counting(lesson(), outbox.kept.value).flatMap(({ event }) =>
          'child_id' in event && event.child_id ? [event.child_id] : [],
        ),
      ),
  )
  const gone = computed(() => new Set([...done.value.map((one) => one.child), ...unsent.value]))
  const waiting = computed(() =>
    (hearing.value?.queue ?? []).filter((place) => !gone.value.has(place.child_id)),
  )
  const four = computed(() => waiting.value.slice(0, 4))
  const then = computed(() => waiting.value.slice(4, 6))
  const current = computed(
    () => four.value.find((place) => place.child_id === picked.value) ?? four.value[0],
  )
  watch(lesson, () => (done.value = []))

  async function give(result: Result | 'absent') {
    const place = current.value
    const now = hearing.value
    if (!place || !now) return
    const at = { section_id: section(), lesson_id: lesson(), child_id: place.child_id }
    const { way, voices, help } = now
    const heard: Done['heard'] =
      result === 'absent'
        ? null
        : {
            kind: 'marked',
            ...at,
            part_id: part(),
            concept: now.concept.key,
            way,
            voices,
            help,
            result,
          }
    const one: Done = {
      child: place.child_id,
      name: place.name,
      result,
      broke: [],
      heard,
      event: '',
    }
    done.value.push(one)
    picked.value = ''
    const saved = tell(heard ?? { kind: 'absent', ...at })
    saving.set(one.child, saved)
    const kept = await saved
    const mine = done.value.find((other) => other.child === one.child && !other.event)
    if (kept && mine) mine.event = kept[0] ?? ''
    else done.value = done.value.filter((other) => other !== mine) // nothing was kept: the child is up again, and the page says why
  }
  async function undo() {
    const last = done.value.filter((one) => !undoing.has(one.child)).at(-1)
    if (!last) return
    undoing.add(last.child) // pressed again, it is the one before
    const [event] = (await saving.get(last.child)) || [] // a mark that is still on its way to the disk is waited for
    const back =
      event &&
      (await tell({
        kind: 'taken_back',
        section_id: section(),
        lesson_id: lesson(),
        target_id: event,
      }))
    undoing.delete(last.child)
    if (!back) return
    done.value = done.value.filter((one) => one.child !== last.child)
    picked.value = last.child
  }
  /** Say of the last reading what broke, or that it did not: the mark is taken back and told anew. */
  async function locate(strand: Broke) {
    const last = done.value.at(-1)
    if (!last?.heard || last.result === 'secure' || undoing.has(last.child)) return
    const before = last.broke
    last.broke = before.includes(strand)
      ? before.filter((one) => one !== strand)
      : [...before, strand]
    undoing.add(last.child)
    const [event] = (await saving.get(last.child)) || []
    const told =
      event &&
      (await tell(
        {
          kind: 'taken_back',
          section_id: section(),
          lesson_id: lesson(),
          target_id: event,
        },
        { ...last.heard, broke: last.broke },
      ))
    undoing.delete(last.child)
    if (!told) {
      last.broke = before
      return
    }
    saving.set(last.child, Promise.resolve(told.slice(1)))
    last.event = told[1] ?? ''
  }
  return { locate, four, then, current, picked, done, give, undo }
}
