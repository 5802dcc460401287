// Lessons: as planned, as changed, and what waits to be settled.
import { useMutation, useQuery, useQueryClient, type Query } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, body, Refusal, type Schemas } from './client'
import { queryClient, type Id } from './queries'

export function useLesson(id: Id) {
  return useQuery({
    queryKey: ['lesson', id],
    queryFn: () =>
      body(api.GET('/api/lessons/{lesson_id}', { params: { path: { lesson_id: toValue(id) } } })),
    enabled: computed(() => toValue(id) !== ''),
  })
}

/** Lessons that nobody opened, and what helps most next. */
export const useToDo = () =>
  useQuery({ queryKey: ['to-do'], queryFn: () => body(api.GET('/api/to-do')) })

/** Whether the minutes left are enough for a running lesson; asked again every minute. */
export const useLate = (id: Id) =>
  useQuery({
    queryKey: ['late', id],
    queryFn: () =>
      body(
        api.GET('/api/lessons/{lesson_id}/late', { params: { path: { lesson_id: toValue(id) } } }),
      ),
    enabled: computed(() => toValue(id) !== ''),
    refetchInterval: 60_000,
  })

/** One lesson as it is planned, outside any page. */
export const readLesson = (id: string) =>
  body(api.GET('/api/lessons/{lesson_id}', { params: { path: { lesson_id: id } } }))

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

export interface Hears {
  concept: string
  order: 'rota' | 'seats'
}
/** Whom to hear in a part, in its own concept or in another, by the rota or as they sit. */
export function useHearing(
  lesson: Id,
  part: Id,
  how: () => Hears = () => ({ concept: '', order: 'rota' }),
) {
  return useQuery({
    queryKey: ['hearing', lesson, part, computed(how)],
    queryFn: ({ signal }) =>
      body(
        api.GET('/api/lessons/{lesson_id}/parts/{part_id}/hearing', {
          signal,
          params: {
            path: { lesson_id: toValue(lesson), part_id: toValue(part) },
            query: { concept: how().concept || null, order: how().order },
          },
        }),
      ),
    enabled: computed(() => toValue(part) !== ''),
    refetchOnWindowFocus: false,
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
