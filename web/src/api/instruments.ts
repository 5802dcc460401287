// Layers, words that become a rhythm, and the recorder with the school's songs.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, body, type Schemas } from './client'
import { queryClient } from './queries'

export type Texture = Schemas['TextureBody']
export type Layer = Texture['layers'][number]
export type Family = Layer['family']
export type Kept = Schemas['TextureRead']
export type Looked = Schemas['LayersRead']
export type Speech = Schemas['SpeechRead']
export type Recorder = Schemas['RecorderRead']
export type System = 'baroque' | 'german'

export type Bars = Schemas['BarsRead']
export type Bordun = Bars['borduns'][number]

/** Bars for a song, with do where it is or on another letter. */
export const useBars = (song: MaybeRefOrGetter<string>, home: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['bars', computed(() => toValue(song)), computed(() => toValue(home))],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/bars', {
          params: {
            path: { song_id: toValue(song) },
            query: toValue(home) ? { do: toValue(home) } : {},
          },
        }),
      ),
    enabled: computed(() => toValue(song) !== ''),
    placeholderData: keepPreviousData,
  })
export const lookAt = (texture: Texture): Promise<Looked> =>
  body(api.POST('/api/textures/look', { body: texture }))
export const rhythmOf = (section_id: string, words: string, meter: string): Promise<Speech> =>
  body(
    api.POST('/api/sections/{section_id}/speech', {
      params: { path: { section_id } },
      body: { words, meter },
    }),
  )
export const useTextures = () =>
  useQuery({ queryKey: ['textures'], queryFn: () => body(api.GET('/api/textures')) })
const again = () => queryClient.invalidateQueries({ queryKey: ['textures'] })
export async function keepTexture(name: string, texture: Texture): Promise<void> {
  await body(api.POST('/api/textures', { body: { name, texture } }))
  await again()
}
export async function dropTexture(texture_id: string): Promise<void> {
  await body(api.DELETE('/api/textures/{texture_id}', { params: { path: { texture_id } } }))
  await again()
}
export type Letters = Schemas['LettersRead']
export const checkLetters = (song_id: string, letters: string): Promise<Letters> =>
  body(
    api.POST('/api/songs/{song_id}/letters', { params: { path: { song_id } }, body: { letters } }),
  )
export const useSongRecorder = (
  song: MaybeRefOrGetter<string>,
  known: MaybeRefOrGetter<readonly string[]>,
  system: MaybeRefOrGetter<System>,
) =>
  useQuery({
    queryKey: [
      'recorder',
      computed(() => toValue(song)),
      computed(() => toValue(known).join()),
      computed(() => toValue(system)),
    ],
    queryFn: () =>
      body(
        api.GET('/api/songs/{song_id}/recorder', {
          params: {
            path: { song_id: toValue(song) },
            query: { tones: [...toValue(known)], system: toValue(system) },
          },
        }),
      ),
    enabled: computed(() => toValue(song) !== ''),
    placeholderData: keepPreviousData,
  })
export const useFaults = () =>
  useQuery({
    queryKey: ['recorder-faults'],
    queryFn: () => body(api.GET('/api/recorder/faults')),
    staleTime: Infinity,
  })
export const useRecorder = (
  tones: MaybeRefOrGetter<readonly string[]>,
  system: MaybeRefOrGetter<System>,
) =>
  useQuery({
    queryKey: ['recorder', computed(() => toValue(tones).join()), computed(() => toValue(system))],
    queryFn: () =>
      body(
        api.GET('/api/recorder', {
          params: { query: { tones: [...toValue(tones)], system: toValue(system) } },
        }),
      ),
    placeholderData: keepPreviousData,
  })

export type Moves = Schemas['MovesRead']
export interface Danced {
  formation: Moves['formation']
  children: number
  prop: 'scarf' | 'elastic' | 'hoop' | ''
  touch: boolean
  own: boolean
}
export const useMoves = (song: MaybeRefOrGetter<string>, danced: MaybeRefOrGetter<Danced>) =>
  useQuery({
    queryKey: ['moves', computed(() => toValue(song)), computed(() => toValue(danced))],
    queryFn: () => {
      const { prop, ...rest } = toValue(danced)
      return body(
        api.GET('/api/songs/{song_id}/moves', {
          params: {
            path: { song_id: toValue(song) },
            query: { ...rest, ...(prop ? { prop } : {}) },
          },
        }),
      )
    },
    enabled: computed(() => toValue(song) !== ''),
    placeholderData: keepPreviousData,
  })
export type Cards = Schemas['CardSetRead']
export const SOUNDINGS = [
  'struck',
  'scraped',
  'shaken',
  'plucked',
  'bowed',
  'blown',
  'keys',
] as const
export type Sounding = (typeof SOUNDINGS)[number]
export const useCards = (
  sounding: MaybeRefOrGetter<Sounding | ''>,
  seed: MaybeRefOrGetter<number>,
) =>
  useQuery({
    queryKey: ['cards', computed(() => toValue(sounding)), computed(() => toValue(seed))],
    queryFn: () => {
      const one = toValue(sounding)
      return body(
        api.GET('/api/cards', {
          params: { query: { seed: toValue(seed), ...(one ? { sounding: one } : {}) } },
        }),
      )
    },
    placeholderData: keepPreviousData,
  })
