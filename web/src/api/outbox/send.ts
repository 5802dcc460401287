// Sending what is kept: one sender for all tabs, batch after batch, and one bad event never holds up the rest.
import { Refusal } from '../client'
import * as kept from './kept'

export const MOST = 500
export type Answer = { id: string; outcome: 'taken' | 'known' | 'aside' | 'erased' }
export type Post = (sent: string, events: kept.OutEvent[]) => Promise<Answer[]>
export type Trouble = 'none' | 'away' | 'signed-out'

let here: Promise<unknown> = Promise.resolve()
/** Who holds the lock sends; the others wait and then find nothing left. A browser without locks takes turns in this tab only: the
 * server knows an event that comes twice. */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  const locks = (navigator as { locks?: LockManager | null }).locks
  if (locks) return await locks.request('kopje-outbox', work)
  const mine = here.then(work)
  here = mine.catch(() => undefined)
  return await mine
}

/** Send everything of an owner that waits; what keeps it from being sent, if something does. */
export const sendAll = (owner: string, post: Post): Promise<Trouble> =>
  alone(async () => {
    const later = new Set<string>() // the server broke over these; they are tried again another time
    for (;;) {
      const waiting = (await kept.of(owner))
        .filter((one) => !one.refused && !later.has(one.id))
        .slice(0, MOST)
      if (!waiting.length) return later.size ? 'away' : 'none'
      const trouble = await sendSome(waiting, post, later)
      if (trouble !== 'none') return trouble
    }
  })

async function sendSome(some: kept.Kept[], post: Post, later: Set<string>): Promise<Trouble> {
  try {
    const answers = await post(
      new Date().toISOString(),
      some.map((one) => one.event),
    )
    await kept.forget(answers.map((one) => one.id))
    return 'none'
  } catch (problem) {
    if (!(problem instanceof Refusal) || problem.status === 503) return 'away'
    if (problem.status === 401) return 'signed-out'
    const [only] = some
    if (some.length > 1) {
      const half = some.length >> 1
      const first = await sendSome(some.slice(0, half), post, later)
      return first === 'none' ? await sendSome(some.slice(half), post, later) : first
    }
    if (only) await oneBad(only, problem, later)
    return 'none'
  }
}

/** A single event that the server breaks over waits for another time; one that it refuses is kept with the reason. */
async function oneBad(one: kept.Kept, problem: Refusal, later: Set<string>): Promise<void> {
  if (problem.status >= 500) later.add(one.id)
  else await kept.refuse(one.id, problem.message)
}
