// What is kept of children: for how long, who looked, who was erased.
import { useQuery } from '@tanstack/vue-query'
import { api, body, type Schemas } from './client'
import { queryClient } from './queries'

export const usePrivacy = () =>
  useQuery({ queryKey: ['privacy'], queryFn: () => body(api.GET('/api/privacy')), staleTime: 0 })
export async function setRetention(given: Schemas['TimesBody']): Promise<void> {
  await body(api.PUT('/api/privacy', { body: given }))
  await queryClient.invalidateQueries({ queryKey: ['privacy'] })
}
export const everythingOf = (child: string, kind: 'json' | 'html') =>
  `/api/children/${child}/everything?kind=${kind}`
export const eraseChild = (child_id: string) =>
  body(api.DELETE('/api/children/{child_id}', { params: { path: { child_id } } }))
export const eraseSchool = (name: string) => body(api.POST('/api/school/erase', { body: { name } }))
