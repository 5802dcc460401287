// Children and reports, and questions with blanks.
import { useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, body, type Schemas } from './client'
import { form, type Id, queryClient } from './queries'

export const useChild = (id: Id) =>
  useQuery({
    queryKey: ['child', id],
    queryFn: () =>
      body(api.GET('/api/children/{child_id}', { params: { path: { child_id: toValue(id) } } })),
  })
/** The first few children whose name has these letters. */
export const useChildrenNamed = (text: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['children', 'named', computed(() => toValue(text))],
    queryFn: () =>
      body(api.GET('/api/children', { params: { query: { text: toValue(text).trim() } } })),
    enabled: computed(() => toValue(text).trim() !== ''),
    placeholderData: (before: Schemas['FoundChildRead'][] | undefined) => before,
  })
/** Who is in a class, to choose from. */
export const useRoll = (section_id: MaybeRefOrGetter<string>) =>
  useQuery({
    queryKey: ['roll', section_id],
    queryFn: async () => {
      const { places } = await body(
        api.GET('/api/sections/{section_id}/seats', {
          params: { path: { section_id: toValue(section_id) } },
        }),
      )
      return places.flatMap((one) => (one.child_id ? { value: one.child_id, title: one.name } : []))
    },
  })
export async function careFor(child_id: string, care: Schemas['CareBody']): Promise<void> {
  const now = await body(
    api.PUT('/api/children/{child_id}/care', { params: { path: { child_id } }, body: care }),
  )
  queryClient.setQueryData(['child', child_id], now)
  await queryClient.invalidateQueries({ queryKey: ['hearing'] })
}

export const useReport = (id: Id) =>
  useQuery({
    queryKey: ['report', id],
    queryFn: () =>
      body(
        api.GET('/api/children/{child_id}/report', {
          params: { path: { child_id: toValue(id) } },
        }),
      ),
    refetchOnWindowFocus: false,
  })
export async function keepReport(child_id: string, blocks: Record<string, string>): Promise<void> {
  const now = await body(
    api.PUT('/api/children/{child_id}/report', {
      params: { path: { child_id } },
      body: { blocks },
    }),
  )
  queryClient.setQueryData(['report', child_id], now)
}
export const useReportChildren = () =>
  useQuery({ queryKey: ['report-children'], queryFn: () => body(api.GET('/api/reports')) })
export const useReportWords = () =>
  useQuery({
    queryKey: ['report-words'],
    queryFn: () => body(api.GET('/api/report-words')),
    refetchOnWindowFocus: false,
  })
export async function setReportWords(words: Record<string, string>): Promise<void> {
  const now = await body(api.PUT('/api/report-words', { body: { words } }))
  queryClient.setQueryData(['report-words'], now)
  await queryClient.invalidateQueries({ queryKey: ['report'] })
}
export const printedReport = (child: string) => `/api/children/${child}/report/print`
export const printedLedger = (section: string) => `/api/sections/${section}/ledger/print`
export const sectionReports = (section: string, kind: 'pdf' | 'csv' | 'json') =>
  `/api/sections/${section}/reports?kind=${kind}`

export const ask = {
  leftOut: () => body(api.GET('/api/asked/left-out')),
  notHeard: (since: string) =>
    body(api.GET('/api/asked/not-heard', { params: { query: { since } } })),
  fading: (section: string) =>
    body(
      api.GET('/api/sections/{section_id}/asked/fading', {
        params: { path: { section_id: section } },
      }),
    ),
  refresh: (section: string) =>
    body(
      api.GET('/api/sections/{section_id}/asked/refresh', {
        params: { path: { section_id: section } },
      }),
    ),
  missing: (section: string, concept: string) =>
    body(
      api.GET('/api/sections/{section_id}/asked/missing', {
        params: { path: { section_id: section }, query: { concept } },
      }),
    ),
  drift: (grade: number, day: string) =>
    body(api.GET('/api/asked/drift', { params: { query: { grade, day } } })),
  leftOver: (section: string) =>
    body(
      api.GET('/api/sections/{section_id}/asked/left-over', {
        params: { path: { section_id: section } },
      }),
    ),
  needs: (concept: string) => body(api.GET('/api/asked/needs', { params: { query: { concept } } })),
}
export const useGroup = (section: Id, concept: Id) =>
  useQuery({
    queryKey: ['group', section, concept],
    queryFn: () =>
      body(
        api.GET('/api/sections/{section_id}/asked/group', {
          params: { path: { section_id: toValue(section) }, query: { concept: toValue(concept) } },
        }),
      ),
    enabled: computed(() => toValue(section) !== '' && toValue(concept) !== ''),
  })
export const exported = (what: 'children' | 'marks' | 'lessons', kind: 'csv' | 'json') =>
  `/api/export/${what}?kind=${kind}`
export async function bringMarks(file: File): Promise<Schemas['BroughtRead']> {
  const found = await body(api.POST('/api/marks', form([file])))
  await queryClient.invalidateQueries()
  return found
}
