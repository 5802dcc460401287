// A screen on another device: it asks for a code, the teaching screen types it, and then says what to show there.
import { useQuery } from '@tanstack/vue-query'
import { EventSource, type FetchLike } from 'eventsource'
import { onUnmounted, ref, shallowRef } from 'vue'
import { api, body, type Schemas } from './client'
import { queryClient } from './queries'

const KEY = 'kopje-projector-token'
const AGAIN = 2_000 // milliseconds until a server that refused is asked again
const UNKNOWN = 404

/** On the other device: what it shows now, told by the server whenever it changes. One that nobody knows any more asks for a new code. */
export function useFarFrame() {
  const shown = shallowRef<Schemas['ProjectedRead']>()
  const error = ref<Error | null>(null)
  let source: EventSource | undefined
  let timer = 0
  let over = false

  async function begin(): Promise<void> {
    window.clearTimeout(timer)
    source?.close()
    try {
      const token = sessionStorage.getItem(KEY) ?? (await anew())
      if (!over) listen(token)
    } catch (problem) {
      error.value = problem as Error
      later()
    }
  }
  async function anew(): Promise<string> {
    const made = await body(api.POST('/api/projectors'))
    sessionStorage.setItem(KEY, made.token)
    return made.token
  }
  function listen(token: string): void {
    const asked: FetchLike = (url, init) =>
      fetch(url, { ...init, headers: { ...init.headers, 'x-kopje-projector': token } })
    const mine = new EventSource('/api/projector/frames', { fetch: asked })
    source = mine
    mine.onmessage = (event) => {
      error.value = null
      shown.value = JSON.parse(event.data as string) as Schemas['ProjectedRead']
    }
    mine.onerror = (event) => {
      if (event.code === UNKNOWN) {
        sessionStorage.removeItem(KEY)
        void begin()
      } else if (mine.readyState === mine.CLOSED) later()
    }
  }
  function later(): void {
    if (!over) timer = window.setTimeout(() => void begin(), AGAIN)
  }
  void begin()
  onUnmounted(() => {
    over = true
    window.clearTimeout(timer)
    source?.close()
  })
  return { shown, error, again: begin }
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
