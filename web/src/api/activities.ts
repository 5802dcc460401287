// Activities, own and shipped, with what is kept beside each; and the order of lessons.
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, body, type Schemas } from './client'
import { form, type Id } from './queries'

export type Activity = Schemas['ActivityDetail']
export type Band = Schemas['TemplateRead']['band']

export const useActivities = (wanted: MaybeRefOrGetter<boolean> = true) =>
  useQuery({
    queryKey: ['activities'],
    queryFn: () => body(api.GET('/api/activities')),
    enabled: computed(() => toValue(wanted)),
  })

/** What may be said of an activity, in the school's words. */
export const useActivityWords = () =>
  useQuery({
    queryKey: ['activity-words'],
    queryFn: () => body(api.GET('/api/activity-words')),
  })

const at = (key: Id) => ({ params: { path: { activity_key: toValue(key) } } })

export const useActivity = (key: Id) =>
  useQuery({
    queryKey: ['activity', key],
    queryFn: () => body(api.GET('/api/activities/{activity_key}', at(key))),
    enabled: computed(() => toValue(key) !== ''),
  })

export function useActivityActs(key: Id) {
  const cache = useQueryClient()
  const keep = (read: Activity) => {
    cache.setQueryData(['activity', read.key], read)
    for (const name of ['activities', 'lesson', 'set', 'alternatives', 'set-alternatives'])
      void cache.invalidateQueries({ queryKey: [name] })
  }
  const act = <A>(mutationFn: (argument: A) => Promise<Activity>) =>
    useMutation({ mutationFn, onSuccess: keep, scope: { id: 'activity' } })
  return {
    write: act((sent: Schemas['ActivityBody']) =>
      body(api.POST('/api/activities', { body: sent })),
    ),
    change: act((sent: Schemas['ActivityBody']) =>
      body(api.PUT('/api/activities/{activity_key}', { ...at(key), body: sent })),
    ),
    away: act(() => body(api.DELETE('/api/activities/{activity_key}', at(key)))),
    back: act(() => body(api.POST('/api/activities/{activity_key}/bring-back', at(key)))),
    note: act((sent: Schemas['NoteBody']) =>
      body(api.PUT('/api/activities/{activity_key}/note', { ...at(key), body: sent })),
    ),
    addFiles: act((files: File[]) =>
      body(
        api.POST('/api/activities/{activity_key}/files', {
          ...at(key),
          ...form(files),
        }),
      ),
    ),
    dropFile: act(async (file_id: string) => {
      await body(api.DELETE('/api/files/{file_id}', { params: { path: { file_id } } }))
      return body(api.GET('/api/activities/{activity_key}', at(key)))
    }),
  }
}

export const useCoverage = () =>
  useQuery({ queryKey: ['coverage'], queryFn: () => body(api.GET('/api/coverage')) })

export const useTemplates = (wanted: MaybeRefOrGetter<boolean> = true) =>
  useQuery({
    queryKey: ['templates'],
    queryFn: () => body(api.GET('/api/templates')),
    enabled: computed(() => toValue(wanted)),
  })

export function useTemplateActs(band: MaybeRefOrGetter<Band>) {
  const cache = useQueryClient()
  const onSuccess = () => {
    for (const name of ['templates', 'set', 'lesson'])
      void cache.invalidateQueries({ queryKey: [name] })
  }
  const path = () => ({ params: { path: { band: toValue(band) } } })
  return {
    set: useMutation({
      mutationFn: (sent: Schemas['TemplateBody']) =>
        body(api.PUT('/api/templates/{band}', { ...path(), body: sent })),
      onSuccess,
    }),
    shipped: useMutation({
      mutationFn: () => body(api.DELETE('/api/templates/{band}', path())),
      onSuccess,
    }),
  }
}
