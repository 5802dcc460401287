// A lesson as it is now: what the server knows, and what this device has not sent yet.
import type { Schemas } from '@/api/client'
import type { Kept } from '@/api/outbox'

type Lesson = Schemas['LessonRead']

/** Unsent events of the lesson that still count, in order. */
export function counting(lesson: string, kept: readonly Kept[]): Kept[] {
  const mine = kept.filter((one) => one.event.lesson_id === lesson)
  const back = (id: string): boolean =>
    mine.some(
      (one) => one.event.kind === 'taken_back' && one.event.target_id === id && !back(one.id),
    )
  return mine.filter((one) => one.event.kind !== 'taken_back' && !back(one.id))
}

export function lessonNow(lesson: Lesson, kept: readonly Kept[]): Lesson {
  let { state, note } = lesson
  const ticks = new Map<string, Schemas['PartRead']['tick']>()
  const rated = new Map<string, Pick<Schemas['PartRead'], 'rating' | 'why'>>()
  for (const { event } of counting(lesson.id, kept)) {
    if (event.kind === 'started' && state === 'planned') state = 'running'
    else if (event.kind === 'ended') state = 'done'
    else if (event.kind === 'reopened') state = 'running'
    else if (event.kind === 'not_held') state = 'not_held'
    else if (event.kind === 'ticked') ticks.set(event.part_id, event.tick)
    else if (event.kind === 'rated')
      rated.set(event.part_id, { rating: event.rating, why: event.note ?? '' })
    else if (event.kind === 'noted') note = event.note
  }
  const parts =
    ticks.size || rated.size
      ? lesson.parts.map((part) => ({
          ...part,
          tick: ticks.get(part.id) ?? part.tick,
          ...rated.get(part.id),
        }))
      : lesson.parts
  return { ...lesson, state, note, parts }
}

/** The lesson's place and parts as the device sees them, so that “started” tells what was begun. */
export const startedNow = (lesson: Lesson) => ({
  kind: 'started' as const,
  section_id: lesson.section.id,
  lesson_id: lesson.id,
  lesson: { day: lesson.day, starts: lesson.starts, minutes: lesson.minutes },
  parts: lesson.parts.map(partNow),
})
export const partNow = (part: Schemas['PartRead']) => ({
  id: part.id,
  slot: part.slot_id,
  role: part.role,
  activity: part.activity,
  material: part.material,
  concept: part.concept?.key ?? null,
  purpose: part.purpose,
  minutes: part.minutes,
  new: part.new_kind,
  left_over: part.left_over,
})
