// What pages read and do. One name a question; lists are forgotten together when something changes.
import {
  type Query,
  QueryClient,
  useMutation,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, body, Refusal, type Schemas } from './client'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => !(error instanceof Refusal) && count < 2,
      staleTime: 5_000,
      refetchOnWindowFocus: true,
    },
  },
})

type Id = MaybeRefOrGetter<string>
export type Purpose = Schemas['DueRead']['purpose']

export const useMe = () =>
  useQuery({
    queryKey: ['me'],
    queryFn: () => body(api.GET('/api/me')),
    staleTime: Infinity,
    retry: false,
  })
export const useFirstRun = () =>
  useQuery({
    queryKey: ['first-run'],
    queryFn: () => body(api.GET('/api/first-run')),
    retry: false,
  })
export const useSchool = () =>
  useQuery({ queryKey: ['school'], queryFn: () => body(api.GET('/api/school')) })
export const useDay = () =>
  useQuery({ queryKey: ['day'], queryFn: () => body(api.GET('/api/day')), refetchInterval: 60_000 })
export const useSections = () =>
  useQuery({ queryKey: ['sections'], queryFn: () => body(api.GET('/api/sections')) })
/** The first few songs whose title, tones or form have these words. */
export function useSongsNamed(text: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['songs', 'named', computed(() => toValue(text))],
    queryFn: () =>
      body(api.GET('/api/songs', { params: { query: { text: toValue(text), limit: 8 } } })),
    enabled: computed(() => toValue(text).trim() !== ''),
    placeholderData: (before: Schemas['SongPage'] | undefined) => before,
  })
}

export function useSection(id: Id) {
  return useQuery({
    queryKey: ['section', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}', { params: { path: { section_id: toValue(id) } } }),
      ),
    enabled: computed(() => toValue(id) !== ''),
  })
}

export function useSongsFor(id: Id, concept: Id, purpose: MaybeRefOrGetter<Purpose>) {
  return useQuery({
    queryKey: ['songs-for', id, concept, purpose],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/songs-for', {
          params: {
            path: { section_id: toValue(id) },
            query: { concept: toValue(concept), purpose: toValue(purpose) },
          },
        }),
      ),
    enabled: computed(() => toValue(concept) !== ''),
  })
}

export const draftSong = (typed: Schemas['TypedBody']) =>
  body(api.POST('/api/songs/draft', { body: typed }))
export async function keepTypedSong(typed: Schemas['TypedBody']): Promise<Schemas['ImportedRead']> {
  const kept = await body(api.POST('/api/songs/typed', { body: typed }))
  void queryClient.invalidateQueries({ queryKey: ['songs'] })
  return kept
}
export interface Variant {
  recast?: 'parallel' | 'half' | 'dorian' | 'phrygian' | 'lydian' | 'mixolydian'
  do?: string
}
/** A song as it is, or as asked for: in the parallel tonality, with another do. */
export function useSong(id: Id, variant: MaybeRefOrGetter<Variant> = {}) {
  return useQuery({
    queryKey: ['song', id, computed(() => toValue(variant))],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}', {
          params: { path: { song_id: toValue(id) }, query: toValue(variant) },
        }),
      ),
    placeholderData: (before: Schemas['SongRead'] | undefined) =>
      before?.id === toValue(id) ? before : undefined,
  })
}

export interface Shown {
  layers: readonly string[]
  words: boolean
  version: string
  variant?: Variant
}
/** `shown`: lines of text under the staff; `version` changes with what the teacher says of the song. */
export function useScore(
  id: Id,
  width: number,
  wall = false,
  shown: MaybeRefOrGetter<Shown> = { layers: [], words: true, version: '' },
) {
  return useQuery({
    queryKey: ['score', id, width, wall, computed(() => toValue(shown))],
    queryFn: async () => {
      const { layers, words, version, variant } = toValue(shown)
      const asked = new URLSearchParams([
        ['width', String(width)],
        ['wall', String(wall)],
        ['words', String(words)],
        ['v', version],
        ...layers.map((one) => ['layers', one]),
        ...Object.entries(variant ?? {}),
      ])
      const path = `/api/songs/${toValue(id)}/score?${asked.toString()}`
      const answer = await fetch(path)
      if (!answer.ok)
        throw new Refusal(
          answer.status,
          'score',
          ((await answer.json()) as { title: string }).title,
        )
      return answer.text()
    },
    staleTime: 600_000,
    placeholderData: (before: string | undefined) => before,
    enabled: computed(() => toValue(id) !== ''),
  })
}

export function useLesson(id: Id) {
  return useQuery({
    queryKey: ['lesson', id],
    queryFn: () =>
      body(api.GET('/api/lessons/{lesson_id}', { params: { path: { lesson_id: toValue(id) } } })),
    enabled: computed(() => toValue(id) !== ''),
  })
}

export function useAlternatives(lesson: Id, part: Id) {
  return useQuery({
    queryKey: ['alternatives', lesson, part],
    queryFn: ({ signal }) =>
      body(
        api.GET('/api/lessons/{lesson_id}/parts/{part_id}/alternatives', {
          signal,
          params: { path: { lesson_id: toValue(lesson), part_id: toValue(part) } },
        }),
      ),
    enabled: computed(() => toValue(part) !== ''),
  })
}

export function useHearing(lesson: Id, part: Id) {
  return useQuery({
    queryKey: ['hearing', lesson, part],
    queryFn: ({ signal }) =>
      body(
        api.GET('/api/lessons/{lesson_id}/parts/{part_id}/hearing', {
          signal,
          params: { path: { lesson_id: toValue(lesson), part_id: toValue(part) } },
        }),
      ),
    enabled: computed(() => toValue(part) !== ''),
    refetchOnWindowFocus: false,
  })
}

export function useLedger(id: Id) {
  return useQuery({
    queryKey: ['ledger', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/ledger', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
  })
}

export function useEvidence(section: Id, child: Id, concept: Id) {
  return useQuery({
    queryKey: ['evidence', section, child, concept],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/ledger/{child_id}/{concept}', {
          params: {
            path: {
              section_id: toValue(section),
              child_id: toValue(child),
              concept: toValue(concept),
            },
          },
        }),
      ),
    enabled: computed(() => toValue(child) !== '' && toValue(concept) !== ''),
  })
}

/** What a teacher does to a lesson; every answer is the whole lesson, put straight into place. */
export function useLessonActs(lesson: Id) {
  const cache = useQueryClient()
  const keep = (read: Schemas['LessonRead']) => {
    cache.setQueryData(['lesson', read.id], read)
    void cache.invalidateQueries({ queryKey: ['day'] })
    void cache.invalidateQueries({ queryKey: ['section'] })
    // A lesson proposed anew has other parts: what would fit instead of those that are gone is not asked again.
    const there = new Set<unknown>(read.parts.map((part) => part.id))
    void cache.invalidateQueries({
      queryKey: ['alternatives'],
      predicate: (query) => there.has(query.queryKey[2]),
    })
  }
  const asking = (query: Query) =>
    ['alternatives', 'hearing'].includes(String(query.queryKey[0])) &&
    query.state.data === undefined
  const at = (part: string) => ({ params: { path: { lesson_id: toValue(lesson), part_id: part } } })
  // One change after another: each goes out with the version that the one before it left. A stale view is annotations, and then sees how things stand now.
  const look = (error: Error) => {
    if (error instanceof Refusal && error.status === 409)
      void cache.invalidateQueries({ queryKey: ['lesson', toValue(lesson)] })
    void cache.invalidateQueries({ predicate: asking })
  }
  // What is still being asked about a part that may be gone after this act is not waited for.
  const onMutate = () => cache.cancelQueries({ predicate: asking })
  const act = <A>(mutationFn: (argument: A) => Promise<Schemas['LessonRead']>) =>
    useMutation({ mutationFn, onMutate, onSuccess: keep, onError: look, scope: { id: 'lesson' } })
  const seen = () =>
    cache.getQueryData<Schemas['LessonRead']>(['lesson', toValue(lesson)])?.version ?? 0
  return {
    propose: act(({ section, ...which }: { section: string; day?: string; starts?: string }) =>
      body(
        api.POST('/api/sections/{section_id}/lesson', {
          params: { path: { section_id: section } },
          body: which.day ? { ...which, version: seen() } : which,
        }),
      ),
    ),
    pin: act(({ part, pinned }: { part: string; pinned: boolean }) =>
      body(
        api.PUT('/api/lessons/{lesson_id}/parts/{part_id}/pin', {
          ...at(part),
          body: { pinned, version: seen() },
        }),
      ),
    ),
    swap: act(({ part, to }: { part: string; to: Omit<Schemas['SwapBody'], 'version'> }) =>
      body(
        api.POST('/api/lessons/{lesson_id}/parts/{part_id}/swap', {
          ...at(part),
          body: { ...to, version: seen() },
        }),
      ),
    ),
    refuse: act((part: string) =>
      body(
        api.POST('/api/lessons/{lesson_id}/parts/{part_id}/refuse', {
          ...at(part),
          body: { version: seen() },
        }),
      ),
    ),
  }
}

/** What could not be taken on the server and waits to be settled. */
export const useAside = (wanted: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['aside'],
    queryFn: () => body(api.GET('/api/events/aside')),
    enabled: computed(() => toValue(wanted)),
  })
export function useAsideActs() {
  const cache = useQueryClient()
  const forget = () => void cache.invalidateQueries()
  const at = (id: string) => ({ params: { path: { event_id: id } } })
  return {
    again: useMutation({
      mutationFn: (id: string) => body(api.POST('/api/events/aside/{event_id}/again', at(id))),
      onSuccess: forget,
    }),
    drop: useMutation({
      mutationFn: (id: string) => api.DELETE('/api/events/aside/{event_id}', at(id)),
      onSuccess: forget,
    }),
  }
}
/** Something has reached the server: whatever is read from what happened is read again. */
export function forgetWhatHappened(): void {
  const of = [
    'day',
    'section',
    'lesson',
    'ledger',
    'evidence',
    'week',
    'year',
    'school-year',
    'grade',
    'songs',
    'songs-for',
    'aside',
  ]
  void queryClient.invalidateQueries({
    predicate: (query) => of.includes(String(query.queryKey[0])),
  })
}

export function useYear(id: Id) {
  return useQuery({
    queryKey: ['year', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/year', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(id) !== ''),
  })
}
/** The years of several sections, as they come. */
export function useYears(ids: MaybeRefOrGetter<readonly string[]>) {
  return useQueries({
    queries: computed(() =>
      toValue(ids).map((id) => ({
        queryKey: ['year', id],
        queryFn: () =>
          body(
            api.GET('/api/sections/{section_id}/year', { params: { path: { section_id: id } } }),
          ),
      })),
    ),
    combine: (found) => found.flatMap((one) => (one.data ? [one.data] : [])),
  })
}
export function useWays(id: Id, wanted: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['ways', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/year/ways', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(wanted)),
    staleTime: 60_000,
  })
}
export const useSchoolYear = () =>
  useQuery({ queryKey: ['school-year'], queryFn: () => body(api.GET('/api/year')) })
export function useGrade(grade: MaybeRefOrGetter<number>, day: Id) {
  return useQuery({
    queryKey: ['grade', grade, day],
    queryFn: () =>
      body(
        api.GET('/api/year/grade', {
          params: { query: { grade: toValue(grade), day: toValue(day) || null } },
        }),
      ),
  })
}
export function useWeek(day: Id) {
  return useQuery({
    queryKey: ['week', day],
    queryFn: () => body(api.GET('/api/week', { params: { query: { day: toValue(day) || null } } })),
  })
}
export const useCalendar = () =>
  useQuery({ queryKey: ['calendar'], queryFn: () => body(api.GET('/api/calendar')) })

/** What a teacher does to a year; the answer is the whole year, put straight into place. */
export function useYearActs(section: Id) {
  const cache = useQueryClient()
  const at = () => ({ params: { path: { section_id: toValue(section) } } })
  const keep = (read: Schemas['YearRead']) => {
    cache.setQueryData(['year', read.section.id], read)
    for (const name of ['ways', 'school-year', 'grade', 'week'])
      void cache.invalidateQueries({ queryKey: [name] })
  }
  return {
    fit: useMutation({
      mutationFn: () => body(api.POST('/api/sections/{section_id}/year/fit', at())),
      onSuccess: keep,
    }),
    override: useMutation({
      mutationFn: (sent: Schemas['ArcOverridesBody']) =>
        body(api.PUT('/api/sections/{section_id}/year/overrides', { ...at(), body: sent })),
      onSuccess: keep,
    }),
  }
}

/** The calendar as a whole; whatever counts lessons is asked anew. */
export function useCalendarActs() {
  const cache = useQueryClient()
  const changed = () => {
    for (const name of ['calendar', 'year', 'school-year', 'grade', 'week', 'day', 'section'])
      void cache.invalidateQueries({ queryKey: [name] })
  }
  const act = <A, B>(mutationFn: (argument: A) => Promise<B>) =>
    useMutation({ mutationFn, onSuccess: changed })
  return {
    periods: act((sent: Schemas['PeriodsBody']) => body(api.PUT('/api/calendar', { body: sent }))),
    change: act((sent: Schemas['LessonChangeBody']) =>
      body(api.POST('/api/changes', { body: sent })),
    ),
    unchange: act((id: string) =>
      body(api.DELETE('/api/changes/{change_id}', { params: { path: { change_id: id } } })),
    ),
    concert: act((sent: Schemas['ConcertBody']) => body(api.POST('/api/concerts', { body: sent }))),
    unconcert: act((id: string) =>
      body(api.DELETE('/api/concerts/{concert_id}', { params: { path: { concert_id: id } } })),
    ),
  }
}

export const useConcepts = () =>
  useQuery({
    queryKey: ['concepts'],
    queryFn: () => body(api.GET('/api/concepts')),
    staleTime: Infinity,
  })

export const useGone = (id: Id) =>
  useQuery({
    queryKey: ['gone', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/gone', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
  })

export function useChangeChild() {
  const cache = useQueryClient()
  return useMutation({
    mutationFn: (sent: { id: string; body: Schemas['ChildBody'] }) =>
      body(
        api.PUT('/api/children/{child_id}', {
          params: { path: { child_id: sent.id } },
          body: sent.body,
        }),
      ),
    onSuccess: () => {
      for (const name of ['ledger', 'evidence', 'section', 'hearing', 'gone'])
        void cache.invalidateQueries({ queryKey: [name] })
    },
  })
}
export const useWords = (signedIn: () => boolean) =>
  useQuery({
    queryKey: ['words'],
    queryFn: () => body(api.GET('/api/words')),
    staleTime: Infinity,
    enabled: computed(signedIn),
  })
/** Other words change what every page says. */
export async function setWords(sent: Schemas['WordsBody']): Promise<void> {
  queryClient.setQueryData(['words'], await body(api.PUT('/api/words', { body: sent })))
  void queryClient.invalidateQueries({
    predicate: (query) => !['me', 'first-run', 'words'].includes(String(query.queryKey[0])),
  })
}
export const useSingers = (id: Id) =>
  useQuery({
    queryKey: ['singers', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/singers', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(id) !== ''),
  })
export async function setSingers(id: string, child_ids: string[]): Promise<void> {
  await body(
    api.PUT('/api/sections/{section_id}/singers', {
      params: { path: { section_id: id } },
      body: { child_ids },
    }),
  )
  void queryClient.invalidateQueries()
}
export async function annotateSong(
  id: string,
  annotations: Schemas['AnnotationsBody'],
): Promise<void> {
  await body(
    api.PUT('/api/songs/{song_id}/annotations', {
      params: { path: { song_id: id } },
      body: annotations,
    }),
  )
  await queryClient.invalidateQueries({ queryKey: ['song', id] })
  void queryClient.invalidateQueries({
    predicate: (query) => ['songs', 'songs-for', 'section'].includes(String(query.queryKey[0])),
  })
}
export const useRollOver = () =>
  useQuery({ queryKey: ['roll-over'], queryFn: () => body(api.GET('/api/roll-over')) })

export const useSequence = () =>
  useQuery({
    queryKey: ['sequence'],
    queryFn: () => body(api.GET('/api/sequence')),
    refetchOnWindowFocus: false,
  })
/** A changed sequence changes everything that is judged by it. */
export function useSequenceActs() {
  const cache = useQueryClient()
  const keep = (read: Schemas['SequenceRead']) => {
    void cache.invalidateQueries({
      predicate: (query) => !['me', 'first-run', 'sequence'].includes(String(query.queryKey[0])),
    })
    cache.setQueryData(['sequence'], read)
  }
  return {
    keep: useMutation({
      mutationFn: (sent: Schemas['SequenceBody']) => body(api.PUT('/api/sequence', { body: sent })),
      onSuccess: keep,
    }),
    start: useMutation({
      mutationFn: (sent: Schemas['StartBody']) =>
        body(api.POST('/api/sequence/start', { body: sent })),
      onSuccess: keep,
    }),
  }
}
export const lookAtSequence = (file: File) => body(api.POST('/api/sequence/look', form([file])))

const form = (files: Iterable<File>) => {
  const made = new FormData()
  for (const file of files) made.append('files', file)
  return { body: made as never, bodySerializer: (sent: unknown) => sent as FormData }
}
export const lookAtRoster = (file: File) => body(api.POST('/api/roster/look', form([file])))
export const readHolidays = (file: File) => body(api.POST('/api/calendar/holidays', form([file])))

export async function importSongs(files: Iterable<File>): Promise<Schemas['ImportRead']> {
  const read = await body(api.POST('/api/songs', form(files)))
  void queryClient.invalidateQueries({ queryKey: ['songs'] })
  return read
}

/** Somebody has just signed in: what an earlier answer said about anybody else is forgotten. */
export async function signedInAs(me: Schemas['MeRead']): Promise<void> {
  // A late “signed out” must not undo it. Waited for, because a cancelled question puts its old answer back.
  await queryClient.cancelQueries({ queryKey: ['me'] })
  queryClient.removeQueries({
    predicate: (query) => !['me', 'first-run'].includes(String(query.queryKey[0])),
  })
  queryClient.setQueryData(['first-run'], { needed: false, weekday: 0, clock: '' })
  queryClient.setQueryData(['me'], me)
}
