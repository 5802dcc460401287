// The one way to the server: typed by the generated schema, our header on every changing request.
import createClient, { type Middleware } from 'openapi-fetch'
import { ref } from 'vue'
import { AS_OF, forgetPack, inPack } from '@/offline/pack'
import type { components, paths } from './generated/schema'
import { cameSecond, heard, madeFrom } from './versions'

export type Schemas = components['schemas']

/** A refusal as the server words it. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
  ) {
    super(message)
  }
}

/** Since when what is shown stands, while nobody answers and it comes from this device; empty while somebody does. */
export const asOf = ref('')
/** Requests as they were sent: their bodies can be read only once. */
const sent = new WeakMap<Request, Request>()
const ours: Middleware = {
  onRequest({ request }) {
    request.headers.set('x-kopje-request', '1')
    if (request.method === 'GET') return request
    const from = madeFrom(request.url)
    if (from) request.headers.set('if-match', from)
    if (from) sent.set(request, request.clone())
    return request
  },
  async onResponse({ request, response }) {
    if (response.ok) {
      if (request.method === 'GET' && inPack(new URL(request.url).pathname))
        asOf.value = response.headers.get(AS_OF) ?? ''
      heard(response.headers.get('etag'), request.method !== 'GET')
      return response
    }
    const body: unknown = await response
      .clone()
      .json()
      .catch(() => null)
    const said = body as { title?: string; code?: string } | null
    const copy = sent.get(request)
    if (said?.code === 'stale_write' && copy) await cameSecond(copy, said.title ?? '')
    if (response.status === 401) await forgetPack() // signed out elsewhere: nothing of it stays here
    throw new Refusal(response.status, said?.code ?? 'unknown', said?.title ?? response.statusText)
  },
}

export const api = createClient<paths>({ baseUrl: '/' })
api.use(ours)

/** The body of an answer that was good (a refusal has been thrown before). */
export async function body<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T
}

/** The same request once more, from what is here now. */
export async function sendAgain(method: string, path: string, mine: unknown): Promise<void> {
  const read = await fetch(`/api${whereRead(path)}`)
  heard(read.headers.get('etag'), false)
  const from = madeFrom(`/api${path}`)
  const headers = {
    'content-type': 'application/json',
    'x-kopje-request': '1',
    ...(from ? { 'if-match': from } : {}),
  }
  const answer = await fetch(`/api${path}`, { method, headers, body: JSON.stringify(mine) })
  heard(answer.headers.get('etag'), true)
  if (answer.ok) return
  const said = (await answer.json().catch(() => null)) as { title?: string; code?: string } | null
  throw new Refusal(answer.status, said?.code ?? 'unknown', said?.title ?? answer.statusText)
}
/** Where what is written under a path is read as a whole. */
export function whereRead(path: string): string {
  if (/^\/sections\/[^/]+$/.test(path)) return `${path}/detail`
  return path
    .replace(/\/(annotations|about|note|overrides|fit|undo|start)$/, '')
    .replace(/^(\/templates|\/adults)\/.*$/, '$1')
}
/** Of what is read the part that is written under a path. */
export function partOf(path: string, read: unknown): unknown {
  if (typeof read !== 'object' || read === null) return read
  const all = read as Record<string, unknown>
  if (path.endsWith('/annotations')) return all.annotations
  if (path.startsWith('/adults/'))
    return (all.adults as { id: string }[]).find((one) => path.endsWith(one.id))
  return read
}
