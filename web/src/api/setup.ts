// Setting up: children, words, the sequence, tables.
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue } from 'vue'
import { api, body, type Schemas } from './client'
import { queryClient, form, type Id } from './queries'

export const useSchool = () =>
  useQuery({ queryKey: ['school'], queryFn: () => body(api.GET('/api/school')) })
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
export const useLadder = () =>
  useQuery({
    queryKey: ['ladder'],
    queryFn: () => body(api.GET('/api/ladder')),
    refetchOnWindowFocus: false,
  })
/** Where a choir stands on it. */
export const useLadderNow = (id: Id) =>
  useQuery({
    queryKey: ['ladder-now', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/ladder', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
    enabled: computed(() => toValue(id) !== ''),
  })
/** Another ladder changes the sequence, and so everything that is judged by it. */
export async function setLadder(sent: Schemas['LadderBody']): Promise<Schemas['LadderRead']> {
  const read = await body(api.PUT('/api/ladder', { body: sent }))
  queryClient.setQueryData(['ladder'], read)
  void queryClient.invalidateQueries({
    predicate: (query) => !['me', 'first-run', 'ladder'].includes(String(query.queryKey[0])),
  })
  return read
}
export const lookAtSequence = (file: File) => body(api.POST('/api/sequence/look', form([file])))

export const lookAtRoster = (file: File) => body(api.POST('/api/roster/look', form([file])))

/** A section as it can be changed. */
export const useSectionDetail = (id: Id) =>
  useQuery({
    queryKey: ['section-detail', id],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/detail', {
          params: { path: { section_id: toValue(id) } },
        }),
      ),
  })
export async function changeSection(
  id: string,
  sent: Schemas['SectionChangeBody'],
): Promise<Schemas['SectionDetail']> {
  const read = await body(
    api.PUT('/api/sections/{section_id}', { params: { path: { section_id: id } }, body: sent }),
  )
  await queryClient.invalidateQueries()
  return read
}
export async function setSchool(sent: Schemas['SchoolBody']): Promise<Schemas['SchoolRead']> {
  const read = await body(api.PUT('/api/school', { body: sent }))
  await queryClient.invalidateQueries()
  return read
}
