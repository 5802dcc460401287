// Asking the songbook, and bringing files into it.
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, body, type Schemas } from './client'
import { importSongs, queryClient } from './queries'

export type Asked = Schemas['AskedBody']
export const NOTHING_ASKED: Asked = {
  section: null,
  has: [],
  known: false,
  fits: false,
  rested: null,
  new: false,
}
const PAGE = 60

/** Songs by title that answer a question, page after page. */
export function useSongsAsked(asked: MaybeRefOrGetter<Asked>, text: MaybeRefOrGetter<string>) {
  return useInfiniteQuery({
    queryKey: ['songs', computed(() => toValue(asked)), computed(() => toValue(text))],
    queryFn: ({ pageParam }) => {
      const { section, has, known, fits, rested, new: fresh } = toValue(asked)
      const about = section
        ? {
            section,
            known: known ?? false,
            fits: fits ?? false,
            new: fresh ?? false,
            ...(rested == null ? {} : { rested }),
          }
        : {}
      return body(
        api.GET('/api/songs', {
          params: {
            query: {
              text: toValue(text),
              has: has ?? [],
              ...about,
              offset: pageParam,
              limit: PAGE,
            },
          },
        }),
      )
    },
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const there = pages.reduce((sum, page) => sum + page.songs.length, 0)
      return there < last.total ? there : undefined
    },
    placeholderData: (before) => before,
  })
}
export const useSongKinds = () =>
  useQuery({ queryKey: ['songs', 'kinds'], queryFn: () => body(api.GET('/api/song-kinds')) })
export const useSongQuestions = () =>
  useQuery({ queryKey: ['song-questions'], queryFn: () => body(api.GET('/api/song-questions')) })
export async function keepQuestion(name: string, asked: Asked): Promise<void> {
  await body(api.POST('/api/song-questions', { body: { name, asked } }))
  await queryClient.invalidateQueries({ queryKey: ['song-questions'] })
}
export async function dropQuestion(id: string): Promise<void> {
  await api.DELETE('/api/song-questions/{question_id}', { params: { path: { question_id: id } } })
  await queryClient.invalidateQueries({ queryKey: ['song-questions'] })
}

const AT_ONCE = 6
const TUNES_AT_ONCE = 40
/** A book of many ABC tunes as smaller books of the same name, each with what the book says of all its tunes. */
export function smallerBooks(
  name: string,
  text: string,
  most = TUNES_AT_ONCE,
): { file: File; tunes: number }[] {
  const [head = '', ...tunes] = text.split(/^(?=X:)/m)
  if (tunes.length <= most) return [{ file: new File([text], name), tunes: 1 }]
  return Array.from({ length: Math.ceil(tunes.length / most) }, (_, lot) => {
    const some = tunes.slice(lot * most, (lot + 1) * most)
    return { file: new File([head, ...some], name), tunes: some.length }
  })
}
async function lots(files: readonly File[]): Promise<{ files: File[]; tunes: number }[]> {
  const found: { files: File[]; tunes: number }[] = []
  for (const file of files) {
    const books = /\.abc$/i.test(file.name) ? smallerBooks(file.name, await file.text()) : []
    for (const one of books.length > 1 ? books : [{ file, tunes: 1 }]) {
      const last = found.at(-1)
      if (last && last.files.length < AT_ONCE && last.tunes + one.tunes <= TUNES_AT_ONCE) {
        last.files.push(one.file)
        last.tunes += one.tunes
      } else found.push({ files: [one.file], tunes: one.tunes })
    }
  }
  return found
}
/** Hundreds of files, or a book of thousands of tunes, a lot at a time; `tell` hears after each lot, and may stop. What was brought in before stays. */
export async function importMany(
  files: readonly File[],
  tell: (songs: Schemas['ImportedRead'][], done: number, all: number) => boolean,
): Promise<void> {
  const every = await lots(files)
  const all = every.reduce((sum, lot) => sum + lot.tunes, 0)
  let done = 0
  for (const lot of every) {
    const read = await importSongs(lot.files)
    done += lot.tunes
    if (!tell(read.songs, done, all)) return
  }
}

/** The ways to sing a song as a round, and the songs that fit over it. */
export const useTogether = (id: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['together', id],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/together', { params: { path: { song_id: toValue(id) } } }),
      ),
  })
export type Variant = import('./queries').Variant
/** Relations of phrases, turns, how hard, ways to mend bars, other tunes of this title. */
export function useInsight(
  id: MaybeRefOrGetter<string>,
  variant: MaybeRefOrGetter<Variant>,
  version: MaybeRefOrGetter<string>,
) {
  return useQuery({
    queryKey: [
      'song',
      id,
      'insight',
      computed(() => toValue(variant)),
      computed(() => toValue(version)),
    ],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/insight', {
          params: { path: { song_id: toValue(id) }, query: toValue(variant) },
        }),
      ),
    placeholderData: (before: Schemas['InsightRead'] | undefined) => before,
  })
}
export const useBarColours = () =>
  useQuery({
    queryKey: ['bar-colours'],
    queryFn: () => body(api.GET('/api/bar-colours')),
    staleTime: 60_000,
  })
export async function setBarColours(colours: Schemas['BarColoursBody']['colours']): Promise<void> {
  queryClient.setQueryData(
    ['bar-colours'],
    await body(api.PUT('/api/bar-colours', { body: { colours } })),
  )
}
export type KeyPurpose = 'voices' | 'bars' | 'recorder' | 'reading'
export function useBestKeys(
  id: MaybeRefOrGetter<string>,
  grade: MaybeRefOrGetter<number>,
  purpose: MaybeRefOrGetter<KeyPurpose>,
) {
  return useQuery({
    queryKey: ['song', id, 'keys', grade, purpose],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/keys', {
          params: {
            path: { song_id: toValue(id) },
            query: { grade: toValue(grade), purpose: toValue(purpose) },
          },
        }),
      ),
    placeholderData: (before: Schemas['KeyRead'][] | undefined) => before,
  })
}
export async function sayAbout(
  id: string,
  title: string,
  facts: Record<string, string>,
): Promise<void> {
  await body(
    api.PUT('/api/songs/{song_id}/about', {
      params: { path: { song_id: id } },
      body: { title, facts },
    }),
  )
  await queryClient.invalidateQueries({ queryKey: ['song', id] })
  void queryClient.invalidateQueries({ queryKey: ['songs'] })
}

const asking = (on: MaybeRefOrGetter<boolean>) => computed(() => toValue(on))
export function useEchoes(
  id: MaybeRefOrGetter<string>,
  beats: MaybeRefOrGetter<number>,
  ending: MaybeRefOrGetter<'any' | 'home' | 'open'>,
  on: MaybeRefOrGetter<boolean>,
) {
  return useQuery({
    queryKey: ['song', id, 'echoes', beats, ending],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/echoes', {
          params: {
            path: { song_id: toValue(id) },
            query: { beats: toValue(beats), ending: toValue(ending) },
          },
        }),
      ),
    enabled: asking(on),
  })
}
export type RowKind = 'up_and_down' | 'thirds' | 'sequence' | 'widening'
export function useRows(
  id: MaybeRefOrGetter<string>,
  kind: MaybeRefOrGetter<RowKind | 'echo'>,
  start: MaybeRefOrGetter<string | null>,
  tempo: MaybeRefOrGetter<number>,
  on: MaybeRefOrGetter<boolean>,
) {
  return useQuery({
    queryKey: ['song', id, 'rows', kind, start, tempo],
    queryFn: () => {
      const [chosen, from] = [toValue(kind), toValue(start)]
      return body(
        api.GET('/api/songs/{song_id}/rows', {
          params: {
            path: { song_id: toValue(id) },
            query: {
              ...(chosen === 'echo' ? {} : { kind: chosen }),
              ...(from ? { start: from } : {}),
              tempo: toValue(tempo),
            },
          },
        }),
      )
    },
    enabled: asking(on),
  })
}
export function useMasked(
  id: MaybeRefOrGetter<string>,
  tones: MaybeRefOrGetter<string[]>,
  only: MaybeRefOrGetter<boolean>,
  on: MaybeRefOrGetter<boolean>,
) {
  return useQuery({
    queryKey: ['song', id, 'masked', tones, only],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/masked', {
          params: {
            path: { song_id: toValue(id) },
            query: { tones: toValue(tones), only: toValue(only) },
          },
        }),
      ),
    enabled: computed(() => toValue(on) && toValue(tones).length > 0),
  })
}
export function useTrials(
  id: MaybeRefOrGetter<string>,
  count: MaybeRefOrGetter<number>,
  seed: MaybeRefOrGetter<number>,
  half: MaybeRefOrGetter<boolean>,
  on: MaybeRefOrGetter<boolean>,
) {
  return useQuery({
    queryKey: ['song', id, 'trials', computed(() => toValue(count)), seed, half],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/trials', {
          params: {
            path: { song_id: toValue(id) },
            query: { count: toValue(count), seed: toValue(seed), half: toValue(half) },
          },
        }),
      ),
    enabled: asking(on),
  })
}
export function useGuess(
  section: MaybeRefOrGetter<string>,
  by: MaybeRefOrGetter<'rhythm' | 'contour' | 'words'>,
  on: MaybeRefOrGetter<boolean>,
) {
  return useQuery({
    queryKey: ['guess', section, by],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/guess', {
          params: { path: { section_id: toValue(section) }, query: { by: toValue(by) } },
        }),
      ),
    enabled: computed(() => toValue(on) && toValue(section) !== ''),
  })
}

/** Out of the songbook, and into it again. */
export async function removeSong(id: string): Promise<void> {
  await body(api.DELETE('/api/songs/{song_id}', { params: { path: { song_id: id } } }))
  await forgetSongs()
}
export async function bringSongBack(id: string): Promise<void> {
  await body(api.POST('/api/songs/{song_id}/bring-back', { params: { path: { song_id: id } } }))
  await forgetSongs()
}
export const useRemovedSongs = () =>
  useQuery({ queryKey: ['songs', 'removed'], queryFn: () => body(api.GET('/api/removed-songs')) })
const forgetSongs = () =>
  queryClient.invalidateQueries({
    predicate: (query) => ['songs', 'songs-for', 'section'].includes(String(query.queryKey[0])),
  })
