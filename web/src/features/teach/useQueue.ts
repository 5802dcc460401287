// Hearing in one part of the lesson: the next name is up at once, the mark's sign once it is safe, and the last act can be taken
// back. An act is one mark, or those of a pair, or those of everybody at once.
import { computed, ref, type Ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { type Happened, instead, outbox, tell } from '@/api/outbox'
import { counting } from './lessonNow'

export type Result = Schemas['MarkedBody']['result']
export type Given = Result | 'absent' | 'passed'
export type Broke = NonNullable<Schemas['MarkedBody']['broke']>[number]
export type Answers = NonNullable<Schemas['MarkedBody']['answers']>
type Place = Schemas['PlaceRead']
type EventsOwn = 'id' | 'clock' | 'device' | 'sequence'
export interface Done {
  child: string
  name: string
  result: Given
  /** Of a reading that broke, in which strands; what was heard, so that it can be said anew. */
  broke: Broke[]
  heard: Omit<Schemas['MarkedBody'], EventsOwn> | null
  /** The event once it is on the disk; empty for the moment before. */
  event: string
  /** What was done in one go is taken back in one go. */
  act: number
}
export const MOST_TOGETHER = 4

export function useQueue(
  section: () => string,
  lesson: () => string,
  part: () => string,
  hearing: Ref<Schemas['HearingRead'] | undefined>,
  help: () => Schemas['MarkedBody']['help'] | '' = () => '',
) {
  const done = ref<Done[]>([])
  const saving = new Map<number, ReturnType<typeof tell>>()
  const undoing = new Set<number>()
  const picked = ref('')
  /** How many sing at once: one alone, or a small group that is marked together. */
  const size = ref(1)
  let acts = 0
  // Also what another tab, or this one before it was closed, has marked and not sent yet.
  const unsent = computed(
    () =>
      new Set(
        counting(lesson(), outbox.kept.value).flatMap(({ event }) =>
          'child_id' in event && event.child_id && isHere(event) ? [event.child_id] : [],
        ),
      ),
  )
  const isHere = (event: { kind: string; concept?: string }) =>
    event.kind !== 'marked' || event.concept === hearing.value?.concept?.key
  const gone = computed(
    () =>
      new Set([
        ...done.value
          .filter((one) => !one.heard || one.heard.concept === hearing.value?.concept?.key)
          .map((one) => one.child),
        ...unsent.value,
      ]),
  )
  /** Everybody who was not heard yet, at the end those who are asked in a pair or with everybody. */
  const everybody = computed(() =>
    [...(hearing.value?.queue ?? []), ...(hearing.value?.with_others ?? [])].filter(
      (place) => !gone.value.has(place.child_id),
    ),
  )
  const waiting = computed(() => {
    const apart = new Set(size.value > 1 ? [] : hearing.value?.with_others)
    return everybody.value.filter((place) => !apart.has(place))
  })
  // Whoever was picked by name comes up even from far behind in the queue.
  const four = computed(() => {
    const first = waiting.value.slice(0, 4)
    const far = everybody.value.find((place) => place.child_id === picked.value)
    return far && !first.includes(far) ? [far, ...first.slice(0, 3)] : first
  })
  const then = computed(() =>
    waiting.value.filter((place) => !four.value.includes(place)).slice(0, 2),
  )
  const current = computed(
    () => four.value.find((place) => place.child_id === picked.value) ?? four.value[0],
  )
  /** Those who sing now: the current child, and in a group those who come after it. */
  const together = computed(() => {
    const first = current.value
    if (!first) return []
    return [first, ...four.value.filter((one) => one !== first)].slice(0, size.value)
  })
  watch(lesson, () => (done.value = []))

  const where = () => ({ section_id: section(), lesson_id: lesson() })
  function mark(child: string, result: Result, more: Partial<Schemas['MarkedBody']> = {}) {
    const now = hearing.value
    if (!now?.concept) return null
    return {
      kind: 'marked' as const,
      ...where(),
      child_id: child,
      part_id: part(),
      concept: now.concept.key,
      way: now.way,
      voices: size.value > 1 ? ('group' as const) : now.voices,
      help: help() || now.help,
      result,
      ...more,
    }
  }
  async function keep(made: { place: Place; result: Given; heard: Done['heard'] }[]) {
    const act = ++acts
    for (const { place, result, heard } of made)
      done.value.push({
        child: place.child_id,
        name: place.name,
        result,
        broke: [],
        heard,
        event: '',
        act,
      })
    picked.value = ''
    const events: Happened[] = made.map(
      ({ place, result, heard }) =>
        heard ??
        (result === 'passed'
          ? { kind: 'passed', ...where(), child_id: place.child_id, part_id: part() }
          : { kind: 'absent', ...where(), child_id: place.child_id }),
    )
    const saved = tell(...events)
    saving.set(act, saved)
    const kept = await saved
    const mine = done.value.filter((one) => one.act === act)
    if (kept) mine.forEach((one, index) => (one.event = kept[index] ?? ''))
    else done.value = done.value.filter((one) => one.act !== act) // nothing was kept: they are up again, and the page says why
  }

  async function give(result: Given, answers?: Answers) {
    const places =
      result === 'absent' || result === 'passed' ? together.value.slice(0, 1) : together.value
    if (!places.length || !hearing.value?.concept) return
    const more = answers ? { answers } : {}
    await keep(
      places.map((place) => ({
        place,
        result,
        heard:
          result === 'absent' || result === 'passed' ? null : mark(place.child_id, result, more),
      })),
    )
  }
  /** All answered at once, in silence: everybody who is there has it, but for those who were tapped. */
  async function giveAll(without: ReadonlySet<string>, couldCopy: boolean) {
    const places = everybody.value
    if (!places.length || !hearing.value?.concept) return
    await keep(
      places.map((place) => {
        const result: Result = without.has(place.child_id) ? 'not_yet' : 'secure'
        const more = { voices: 'alone' as const, together: true, could_copy: couldCopy }
        return { place, result, heard: mark(place.child_id, result, more) }
      }),
    )
  }
  async function undo() {
    const last = done.value.filter((one) => !undoing.has(one.act)).at(-1)?.act
    if (!last) return
    undoing.add(last) // pressed again, it is the one before
    const events = (await saving.get(last)) || [] // a mark that is still on its way to the disk is waited for
    const back =
      events.length > 0 &&
      (await tell(
        ...events.map((target_id) => ({ kind: 'taken_back' as const, ...where(), target_id })),
      ))
    undoing.delete(last)
    if (!back) return
    const first = done.value.find((one) => one.act === last)
    done.value = done.value.filter((one) => one.act !== last)
    picked.value = first?.child ?? ''
  }
  /** Say of the last reading what broke, or that it did not: the mark is taken back and told anew. */
  async function locate(strand: Broke) {
    const last = done.value.at(-1)
    if (!last?.heard || last.result === 'secure' || undoing.has(last.act)) return
    const before = last.broke
    last.broke = before.includes(strand)
      ? before.filter((one) => one !== strand)
      : [...before, strand]
    undoing.add(last.act)
    const [event] = (await saving.get(last.act)) || []
    const told =
      event &&
      (await tell(
        { kind: 'taken_back', ...where(), target_id: event },
        { ...last.heard, broke: last.broke, supersedes: event },
      ))
    undoing.delete(last.act)
    if (!told) {
      last.broke = before
      return
    }
    saving.set(last.act, Promise.resolve(told.slice(1)))
    last.event = told[1] ?? ''
  }
  /** Marks of this part that were meant for another concept: moved there in one go, each beside what it stands for. */
  async function move(marks: readonly Schemas['MarkRead'][], concept: string) {
    const own = done.value.filter(
      (one) => one.heard && one.event && !marks.some((mark) => mark.id === one.event),
    )
    const events: Happened[] = [
      ...marks.flatMap((one) =>
        instead(one, where(), { ...where(), part_id: part() }, { concept }),
      ),
      ...own.flatMap((one): Happened[] =>
        one.heard
          ? [
              { kind: 'taken_back', ...where(), target_id: one.event },
              { ...one.heard, concept, supersedes: one.event },
            ]
          : [],
      ),
    ]
    if (events.length && (await tell(...events))) done.value = []
  }
  return {
    ...{ locate, four, then, current, together, picked, size, done, everybody },
    ...{ give, giveAll, undo, move },
  }
}
