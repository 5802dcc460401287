// What pages read and do. One name a question; lists are forgotten together when something changes.
import { QueryClient, useQueries, useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, body, Refusal, type Schemas } from './client'

/** Whether nobody answered, so that it is worth asking again: the network, the server or its database is away. */
const away = (error: unknown) => !(error instanceof Refusal) || error.status === 503
const TRIES = 200
const untilThere = (count: number, error: unknown) => away(error) && count < TRIES
const wait = (count: number) => Math.min(500 * 2 ** count, 5_000)

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: untilThere,
      retryDelay: wait,
      staleTime: 5_000,
      refetchOnWindowFocus: true,
    },
  },
})

export type Id = MaybeRefOrGetter<string>
export type Purpose = Schemas['DueRead']['purpose']

export const useMe = () =>
  useQuery({
    queryKey: ['me'],
    queryFn: () => body(api.GET('/api/me')),
    staleTime: Infinity,
  })
export const useFirstRun = () =>
  useQuery({
    queryKey: ['first-run'],
    queryFn: () => body(api.GET('/api/first-run')),
  })
/** Not for whoever only reads reports. */
export function useDay() {
  const me = useMe()
  return useQuery({
    queryKey: ['day'],
    queryFn: () => body(api.GET('/api/day')),
    refetchInterval: 60_000,
    enabled: computed(() => me.data.value?.role !== 'viewer'),
  })
}
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
  part?: number // which part of a score is looked at, from 1
  voices?: number // as a round of so many voices …
  after?: number // … each so many bars behind the one before
  beside?: string // with another song as its partner
}
/** The same look with one thing changed, or taken away. */
export function lookedAt(
  variant: Variant,
  name: keyof Variant,
  value: string | number | null,
): Variant {
  const rest = Object.fromEntries(Object.entries(variant).filter(([key]) => key !== name))
  return value ? { ...rest, [name]: value } : rest
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
  alone?: boolean // that part without the others
}
/** A picture that the server draws; Refusal in its words where it does not. */
export async function picture(path: string): Promise<string> {
  const answer = await fetch(path)
  if (!answer.ok)
    throw new Refusal(answer.status, 'score', ((await answer.json()) as { title: string }).title)
  return answer.text()
}
/** `shown`: lines of text under the staff; `version` changes with what the teacher says of the song. */
export function useScore(
  id: Id,
  width: MaybeRefOrGetter<number>,
  wall = false,
  shown: MaybeRefOrGetter<Shown> = { layers: [], words: true, version: '' },
) {
  return useQuery({
    queryKey: ['score', id, computed(() => toValue(width)), wall, computed(() => toValue(shown))],
    queryFn: async () => {
      const { layers, words, version, variant, alone } = toValue(shown)
      const asked = new URLSearchParams([
        ['width', String(toValue(width))],
        ['wall', String(wall)],
        ['words', String(words)],
        ['v', version],
        ...layers.map((one) => ['layers', one]),
        ['alone', String(alone ?? false)],
        ...Object.entries(variant ?? {}).map(([key, value]) => [key, String(value)]),
      ])
      const path = `/api/songs/${toValue(id)}/score?${asked.toString()}`
      return picture(path)
    },
    staleTime: 600_000,
    placeholderData: (before: string | undefined) => before,
    enabled: computed(() => toValue(id) !== ''),
  })
}

const readLedger = (section_id: string) =>
  body(api.GET('/api/sections/{section_id}/ledger', { params: { path: { section_id } } }))
/** Those of several sections, as far as they have come. */
export function useLedgers(ids: () => readonly string[]) {
  return useQueries({
    queries: computed(() =>
      ids().map((id) => ({ queryKey: ['ledger', id], queryFn: () => readLedger(id) })),
    ),
    combine: (all) => all.flatMap((one) => (one.data ? [one.data] : [])),
  })
}
export function useLedger(id: Id) {
  return useQuery({
    queryKey: ['ledger', id],
    queryFn: () => readLedger(toValue(id)),
    enabled: computed(() => toValue(id) !== ''),
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

export const useConcepts = () =>
  useQuery({
    queryKey: ['concepts'],
    queryFn: () => body(api.GET('/api/concepts')),
    staleTime: Infinity,
  })

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
export const form = (files: Iterable<File>) => {
  const made = new FormData()
  for (const file of files) made.append('files', file)
  return { body: made as never, bodySerializer: (sent: unknown) => sent as FormData }
}
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
