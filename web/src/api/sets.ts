// Lesson sets: the table of the next lessons, and what a teacher does to it. Every answer is the whole set.
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, body, Refusal, type Schemas } from './client'
import type { Id } from './queries'

export type SetChange = Omit<Schemas['ChangeBody'], 'version' | 'lessons'>

const at = (key: Id) => ({ path: { set_key: toValue(key) } })

export function useSet(key: Id, lessons: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['set', key, lessons],
    queryFn: () =>
      body(
        api.GET('/api/sets/{set_key}', {
          params: { ...at(key), query: { lessons: toValue(lessons) } },
        }),
      ),
  })
}

export function useSetAlternatives(
  key: Id,
  lessons: MaybeRefOrGetter<number>,
  place: MaybeRefOrGetter<{ lesson: number; slot: string; part: string } | null>,
) {
  return useQuery({
    queryKey: ['set-alternatives', key, lessons, computed(() => toValue(place))],
    queryFn: ({ signal }) => {
      const where = toValue(place)
      return body(
        api.GET('/api/sets/{set_key}/alternatives', {
          signal,
          params: {
            ...at(key),
            query: {
              lessons: toValue(lessons),
              lesson: where?.lesson ?? 0,
              slot: where?.slot ?? '',
            },
          },
        }),
      )
    },
    enabled: computed(() => toValue(place) !== null),
  })
}

export function useSetActs(key: Id, lessons: MaybeRefOrGetter<number>) {
  const cache = useQueryClient()
  const name = () => ['set', toValue(key), toValue(lessons)]
  const seen = () => ({
    lessons: toValue(lessons),
    version: cache.getQueryData<Schemas['SetRead']>(name())?.version ?? 0,
  })
  const keep = (read: Schemas['SetRead']) => {
    cache.setQueryData(name(), read)
    for (const other of ['day', 'section', 'lesson', 'week', 'alternatives'])
      void cache.invalidateQueries({ queryKey: [other] })
  }
  const look = (error: Error) => {
    if (error instanceof Refusal && error.status === 409)
      void cache.invalidateQueries({ queryKey: ['set'] })
  }
  // One after the other: each goes out with the version that the one before it left.
  const act = <A>(mutationFn: (argument: A) => Promise<Schemas['SetRead']>) =>
    useMutation({ mutationFn, onSuccess: keep, onError: look, scope: { id: 'set' } })
  return {
    compose: act((anew: boolean) =>
      body(api.POST('/api/sets/{set_key}/compose', { params: at(key), body: { ...seen(), anew } })),
    ),
    change: act((asked: SetChange) =>
      body(
        api.POST('/api/sets/{set_key}/change', {
          params: at(key),
          body: { ...asked, ...seen() },
        }),
      ),
    ),
    undo: act(() => body(api.POST('/api/sets/{set_key}/undo', { params: at(key), body: seen() }))),
    focus: act((song_id: string) =>
      body(
        api.POST('/api/sets/{set_key}/focus', { params: at(key), body: { ...seen(), song_id } }),
      ),
    ),
    /** What of the kept set does not hold here comes back. */
    lay: useMutation({
      mutationFn: (kept_id: string) =>
        body(
          api.POST('/api/sets/{set_key}/lay', {
            params: at(key),
            body: { ...seen(), kept_id },
          }),
        ),
      onSuccess: (read) => keep(read.set),
      onError: look,
      scope: { id: 'set' },
    }),
    redo: act(() => body(api.POST('/api/sets/{set_key}/redo', { params: at(key), body: seen() }))),
  }
}

/** A whole plan for one song; nothing is kept by asking. */
export const useFocus = (
  key: Id,
  lessons: MaybeRefOrGetter<number>,
  song: MaybeRefOrGetter<string | null>,
) =>
  useQuery({
    queryKey: ['focus', key, lessons, song],
    queryFn: () =>
      body(
        api.GET('/api/sets/{set_key}/focus', {
          params: {
            ...at(key),
            query: { lessons: toValue(lessons), song_id: toValue(song) ?? '' },
          },
        }),
      ),
    enabled: computed(() => toValue(song) !== null),
  })

export const useKeptSets = (wanted: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['kept-sets'],
    queryFn: () => body(api.GET('/api/kept-sets')),
    enabled: computed(() => toValue(wanted)),
  })

export function useKeptActs(key: Id, lessons: MaybeRefOrGetter<number>) {
  const cache = useQueryClient()
  const onSuccess = () => cache.invalidateQueries({ queryKey: ['kept-sets'] })
  return {
    keep: useMutation({
      mutationFn: (name: string) =>
        body(
          api.POST('/api/sets/{set_key}/keep', {
            params: at(key),
            body: { name, lessons: toValue(lessons) },
          }),
        ),
      onSuccess,
    }),
    forget: useMutation({
      mutationFn: (kept_id: string) =>
        body(api.DELETE('/api/kept-sets/{kept_id}', { params: { path: { kept_id } } })),
      onSuccess,
    }),
  }
}

/** How far composing is; asked while it runs. */
export const useSetProgress = (key: Id, composing: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['set-progress', key],
    queryFn: () => body(api.GET('/api/sets/{set_key}/progress', { params: at(key) })),
    enabled: computed(() => toValue(composing)),
    refetchInterval: () => (toValue(composing) ? 700 : false),
    gcTime: 0,
  })
export const stopSet = (key: Id) => body(api.POST('/api/sets/{set_key}/stop', { params: at(key) }))

export const usePrices = (wanted: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['prices'],
    queryFn: () => body(api.GET('/api/prices')),
    enabled: computed(() => toValue(wanted)),
  })

/** Every song of the book by title, to choose from. */
export const useSongTitles = (wanted: MaybeRefOrGetter<boolean>) =>
  useQuery({
    queryKey: ['song-titles'],
    queryFn: async () => {
      const found: { id: string; title: string }[] = []
      for (;;) {
        const page = await body(
          api.GET('/api/songs', { params: { query: { limit: 200, offset: found.length } } }),
        )
        found.push(...page.songs.map(({ id, title }) => ({ id, title })))
        if (!page.songs.length || found.length >= page.total) return found
      }
    },
    enabled: computed(() => toValue(wanted)),
  })
