// What a class reads: what it can be given, the next exercise, how it looks; what was read goes through the outbox.
import { useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, body, Refusal, type Schemas } from './client'
import { tell } from './outbox'
import { type Id, picture, queryClient } from './queries'

export type Exercise = Schemas['ExerciseRead']
export type Offer = Schemas['OfferRead']
export type Wish = Schemas['WishBody']
export type Practice = Schemas['PracticeRead']
export type Routine = Schemas['RoutineBody']
export type Round = Schemas['QuestionsRead']
export type RoundWish = Schemas['QuestionsBody']
export type RoundKind = Round['kind']
export type Standings = Schemas['StandingsRead']
export type Shown = Offer['help']
export type Helped = NonNullable<Schemas['ReadBody']['helped']>
export const SHOWN: readonly Shown[] = ['every', 'skips', 'first', 'none']
export const usePractice = (id: Id) =>
  useQuery({
    queryKey: ['practice', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/practice', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(id) !== ''),
  })
export const readAgain = () => queryClient.invalidateQueries({ queryKey: ['practice'] })

export const nextExercise = (section_id: string, wish: Wish): Promise<Exercise> =>
  body(
    api.POST('/api/sections/{section_id}/exercises', {
      params: { path: { section_id } },
      body: wish,
    }),
  )
export async function setRoutine(section_id: string, routine: Routine): Promise<void> {
  await body(
    api.PUT('/api/sections/{section_id}/routine', {
      params: { path: { section_id } },
      body: routine,
    }),
  )
  await readAgain()
}

export interface Look {
  part: number
  shown: Shown
  rhythm: boolean
  width: number
  clef?: 'F' | null
  lines?: number
  place?: number | null
  sticks?: boolean
  over_note?: boolean
  reads?: string
  at?: number
}
/** An exercise as a lesson shows it: on the teacher's page, or on the wall. */
export function lessonLook(
  { parts, reads, at }: { parts: number; reads: string; at: number },
  wall: boolean,
): Look {
  const usual = wall ? 1000 : 1050
  const several = wall ? 2000 : 1700
  return {
    ...{ part: 0, shown: 'none', rhythm: false, reads: reads || 'line', at },
    width: reads === 'cards' ? 700 : parts > 1 ? several : usual,
  }
}
/** The address of an exercise that looks so. */
export function scoreOf(id: string, look: Look): string {
  const said = Object.entries(look).filter(([, value]) => value !== null)
  const asked = new URLSearchParams(said.map(([name, value]) => [name, String(value)]))
  return `/api/exercises/${id}/score?${asked.toString()}`
}
export function useExerciseScore(id: Id, look: MaybeRefOrGetter<Look>) {
  return useQuery({
    queryKey: ['exercise-score', id, computed(() => toValue(look))],
    queryFn: () => picture(scoreOf(toValue(id), toValue(look))),
    staleTime: 600_000,
    placeholderData: (before: string | undefined) => before,
    enabled: computed(() => toValue(id) !== ''),
  })
}

export interface Reading {
  exercise: string
  clean: boolean
  shown: Shown
  modelled: boolean
  again: boolean
  part: number
  bar?: number
  note?: number
  helped?: Helped
}
/** Keep that a class read an exercise; the ids of what was told, or false where this device has no room. */
export const tellRead = (section_id: string, day: string, reading: Reading) =>
  tell({ kind: 'read', section_id, lesson_id: section_id, day, ...reading })
/** The same in a lesson, which has its day. */
export const tellReadIn = (section_id: string, lesson_id: string, reading: Reading) =>
  tell({ kind: 'read', section_id, lesson_id, ...reading })
export const takeReadBack = (section_id: string, target_id: string) =>
  tell({ kind: 'taken_back', section_id, lesson_id: section_id, target_id })

export type PaperForm = 'sheet' | 'cards' | 'complete' | 'write'
/** A set of different exercises with their key, as PDF. */
export async function printedSet(
  section_id: string,
  wish: Wish,
  count: number,
  form: PaperForm,
  paper: 'A4' | 'letter',
): Promise<Blob> {
  return (await body(
    api.POST('/api/sections/{section_id}/exercises/print', {
      params: { path: { section_id }, query: { count, form, paper } },
      body: wish,
      parseAs: 'blob',
    }),
  )) as unknown as Blob
}

export const playRound = (section_id: string, wish: RoundWish): Promise<Round> =>
  body(
    api.POST('/api/sections/{section_id}/rounds', {
      params: { path: { section_id } },
      body: wish,
    }),
  )
export interface Played {
  ask: RoundKind | 'reading'
  concept?: string
  asked: number
  right: number
  choices: number
  seconds: number
  station: boolean
}
/** Keep that a round was played: practice, and no mark. */
export const tellRound = (section_id: string, day: string, played: Played) =>
  tell({ kind: 'round', section_id, lesson_id: section_id, day, ...played })
/** What a game of choosing tells of a mark. */
const answersOf = (choices: number, asked: number, right: number, in_a_row: number) => ({
  ...{ choices, asked, right, in_a_row },
})
/** What a round shows of the whole class, in its concept; the teacher's own act. */
export const countRound = (
  section_id: string,
  day: string,
  round: Round,
  right: number,
  { concept, way }: Standings,
) =>
  tell({
    ...{ kind: 'class_marked' as const, section_id, lesson_id: section_id, day },
    ...{ concept: concept ?? '', way, help: 'none', result: round.results[right] ?? 'not_yet' },
    answers: answersOf(round.choices, round.questions.length, right, round.in_a_row),
  })
/** The last round of a station is taken as a mark of the child that played it. */
export async function takeRound(
  section_id: string,
  child_id: string,
  day: string,
  { last, concept, way }: Standings,
): Promise<boolean> {
  if (!last || !concept) return false
  const kept = await tell({
    ...{ kind: 'marked' as const, section_id, lesson_id: section_id, child_id, day },
    ...{ concept, way, voices: 'alone', help: 'none', result: last.result },
    answers: answersOf(last.choices, last.asked, last.right, last.in_a_row),
  })
  return kept !== false
}

/** The exercise of a part of a lesson: the one it has, or another one like it. Without a network the one it has, if it lies here. */
export async function partExercise(
  lesson_id: string,
  part_id: string,
  asked: Schemas['FreshBody'],
): Promise<Exercise | null> {
  const params = { path: { lesson_id, part_id } }
  const path = '/api/lessons/{lesson_id}/parts/{part_id}/exercise'
  try {
    return await body(api.POST(path, { params, body: asked }))
  } catch (problem) {
    if (asked.fresh || problem instanceof Refusal) throw problem
    return body(api.GET(path, { params }))
  }
}

export type Tapped = Schemas['TappedRead']
export const judgeTaps = (exercise_id: string, taps: Schemas['TapsBody']): Promise<Tapped> =>
  body(
    api.POST('/api/exercises/{exercise_id}/taps', {
      params: { path: { exercise_id } },
      body: taps,
    }),
  )
export const measureDelay = async (clicks: number[], taps: number[]): Promise<number> =>
  (await body(api.POST('/api/tap-delay', { body: { clicks, taps } }))).delay
/** Questions about places with room for the answers and their key, as PDF. */
export async function printedRound(
  section_id: string,
  wish: RoundWish,
  paper: 'A4' | 'letter',
): Promise<Blob> {
  return (await body(
    api.POST('/api/sections/{section_id}/rounds/print', {
      params: { path: { section_id }, query: { paper } },
      body: wish,
      parseAs: 'blob',
    }),
  )) as unknown as Blob
}
