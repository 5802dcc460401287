// What is done with a line beside reading it: cards, changes, writing, signs; an exercise kept in the school's book.
import { api, body, type Schemas } from './client'
import { tell } from './outbox'
import { queryClient } from './queries'

export type Changed = Schemas['ChangedRead']
export type Dictation = Schemas['DictationRead']
export type Stage = Dictation['stage']
export type ToChoose = Schemas['ToChooseRead']
export type Checked = Schemas['CheckedRead']
export type Signs = Schemas['SignsRead']
const path = (exercise_id: string) => ({ path: { exercise_id } })

export const cardsOf = async (id: string, part: number, sticks: boolean): Promise<string[]> =>
  (
    await body(
      api.GET('/api/exercises/{exercise_id}/cards', {
        params: { ...path(id), query: { part, sticks } },
      }),
    )
  ).cards
export const changesOf = async (id: string, seed: number, sticks: boolean): Promise<Changed[]> =>
  (
    await body(
      api.GET('/api/exercises/{exercise_id}/changes', {
        params: { ...path(id), query: { seed, sticks } },
      }),
    )
  ).lines
export const dictationOf = (id: string, stage: Stage, part: number): Promise<Dictation> =>
  body(
    api.GET('/api/exercises/{exercise_id}/dictation', {
      params: { ...path(id), query: { stage, part } },
    }),
  )
export const checkWritten = (
  id: string,
  stage: Stage,
  part: number,
  bars: string[][],
): Promise<Checked> =>
  body(
    api.POST('/api/exercises/{exercise_id}/dictation', {
      params: path(id),
      body: { stage, part, bars },
    }),
  )
export const nextSigns = (section_id: string, asked: Schemas['SignsBody']): Promise<Signs> =>
  body(
    api.POST('/api/sections/{section_id}/signs', { params: { path: { section_id } }, body: asked }),
  )
export async function keepExercise(id: string): Promise<Schemas['ImportedRead']> {
  const found = await body(api.POST('/api/exercises/{exercise_id}/keep', { params: path(id) }))
  await queryClient.invalidateQueries({ queryKey: ['songs'] })
  return found
}
/** How the whole class did, apart from any lesson; the teacher's own act. */
export const markClass = (
  section_id: string,
  day: string,
  mark: Pick<Schemas['ClassMarkedBody'], 'concept' | 'way' | 'help' | 'result'>,
) => tell({ kind: 'class_marked', section_id, lesson_id: section_id, day, ...mark })
