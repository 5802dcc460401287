import { expect, test } from 'vitest'
import type { Schemas } from '@/api/client'
import type { Happened, Kept } from '@/api/outbox'
import { lessonNow } from './lessonNow'

const at = { section_id: 'S', lesson_id: 'L' }
const unsent = (id: string, happened: Happened): Kept => ({
  id,
  owner: 'o',
  device: 'd',
  sequence: 1,
  refused: '',
  event: { ...happened, id, clock: '', device: 'd', sequence: 1 } as Kept['event'],
})
const lesson = {
  id: 'L',
  state: 'planned',
  note: '',
  parts: [
    { id: 'a', tick: null },
    { id: 'b', tick: 'done' },
  ],
} as unknown as Schemas['LessonRead']

test('what has not been sent yet is seen as if it were, and what was taken back is not', () => {
  const kept = [
    unsent('1', { kind: 'started', ...at }),
    unsent('2', { kind: 'ticked', ...at, part_id: 'a', tick: 'partly' }),
    unsent('3', { kind: 'ticked', ...at, part_id: 'a', tick: 'done' }),
    unsent('4', { kind: 'taken_back', ...at, target_id: '3' }),
    unsent('5', {
      kind: 'ticked',
      section_id: 'S',
      lesson_id: 'other',
      part_id: 'b',
      tick: 'skipped',
    }),
  ]
  const now = lessonNow(lesson, kept)
  expect([now.state, ...now.parts.map((part) => part.tick)]).toEqual(['running', 'partly', 'done'])
  expect(lessonNow(lesson, [...kept, unsent('6', { kind: 'ended', ...at })]).state).toBe('done')
  expect(lessonNow(lesson, [])).toEqual(lesson)
})
