// The one way to the server: typed by the generated schema, our header on every changing request.
import createClient, { type Middleware } from 'openapi-fetch'
import type { components, paths } from './generated/schema'

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

const ours: Middleware = {
  onRequest({ request }) {
    request.headers.set('x-kopje-request', '1')
    return request
  },
  async onResponse({ response }) {
    if (response.ok) return response
    const body: unknown = await response
      .clone()
      .json()
      .catch(() => null)
    const said = body as { title?: string; code?: string } | null
    throw new Refusal(response.status, said?.code ?? 'unknown', said?.title ?? response.statusText)
  },
}

export const api = createClient<paths>({ baseUrl: '/' })
api.use(ours)

/** The body of an answer that was good (a refusal has been thrown before). */
export async function body<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T
}
