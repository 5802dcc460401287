// A lesson that nobody opened, as what happened: held as it was planned, held otherwise, or lost.
import type { Schemas } from '@/api/client'
import { partNow, startedNow } from './lessonNow'

type Unopened = Schemas['UnopenedRead']
const at = (one: Unopened, lesson: string) => ({ section_id: one.section.id, lesson_id: lesson })
const place = ({ day, starts, minutes }: Unopened) => ({ day, starts, minutes })

/** Everything in it was done. */
export const heldAsPlanned = (lesson: Schemas['LessonRead']) => {
  const here = { section_id: lesson.section.id, lesson_id: lesson.id }
  return [
    startedNow(lesson),
    ...lesson.parts.map((part) => ({
      kind: 'ticked' as const,
      ...here,
      part_id: part.id,
      tick: 'done' as const,
      part: partNow(part),
    })),
    { kind: 'ended' as const, ...here },
  ]
}
/** It happened, and nothing is known of what was done. */
export const heldWithoutPlan = (one: Unopened, lesson: string) => [
  { kind: 'started' as const, ...at(one, lesson), lesson: place(one), parts: [] },
  { kind: 'ended' as const, ...at(one, lesson) },
]
export const lost = (one: Unopened, lesson: string) => ({
  kind: 'not_held' as const,
  ...at(one, lesson),
  lesson: place(one),
})
