// A screen on another device: it asks for a code, the teaching screen types it, and then says what to show there.
import { useQuery } from '@tanstack/vue-query'
import { api, body, type Schemas } from './client'
import { queryClient } from './queries'

const KEY = 'kopje-projector-token'
const EVERY = 1500

/** On the other device: what it shows now. One that nobody knows any more asks for a new code. */
export const useFarFrame = () =>
  useQuery({
    queryKey: ['far-frame'],
    queryFn: frame,
    refetchInterval: EVERY,
    refetchIntervalInBackground: true,
    staleTime: 0,
  })
async function frame(): Promise<Schemas['ProjectedRead']> {
  const token = sessionStorage.getItem(KEY)
  if (token) {
    const found = await api
      .GET('/api/projector', { params: { header: { 'x-kopje-projector': token } } })
      .catch((problem: { status?: number }) => {
        if (problem.status !== 404) throw problem
        return null
      })
    if (found?.data) return found.data
  }
  const made = await body(api.POST('/api/projectors'))
  sessionStorage.setItem(KEY, made.token)
  return { code: made.code, frame: null }
}

/** On the teaching screen: those that are hers. */
export const useFarProjectors = () =>
  useQuery({
    queryKey: ['far-projectors'],
    queryFn: () => body(api.GET('/api/projectors')),
    refetchInterval: 60_000,
  })
const again = () => queryClient.invalidateQueries({ queryKey: ['far-projectors'] })
export async function pairProjector(given: Schemas['PairBody']): Promise<void> {
  await api.POST('/api/projectors/pair', { body: given })
  await again()
}
export const showFrame = (projector_id: string, given: Schemas['ShowBody']) =>
  api.PUT('/api/projectors/{projector_id}', { params: { path: { projector_id } }, body: given })
export async function endProjector(projector_id: string): Promise<void> {
  await api.DELETE('/api/projectors/{projector_id}', { params: { path: { projector_id } } })
  await again()
}
