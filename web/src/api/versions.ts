// What is written as a whole has a version. It comes with what is read; a change says which one it was made from, and
// when somebody else was there first, both are shown and one is chosen.
import { ref, shallowRef } from 'vue'

const latest = new Map<string, string>()
const begun = new Map<string, string>()
const TAG = /^(?:W\/)?"(\/[^"]*):\d+"$/
const API = /^\/api/

const pathOf = (url: string) => new URL(url, 'http://here').pathname.replace(API, '')
/** Under which name a path is written: the longest that is known. */
function nameFor(path: string): string | undefined {
  return [...latest.keys()]
    .filter((name) => path === name || path.startsWith(`${name}/`))
    .sort((one, other) => other.length - one.length)[0]
}

/** An answer came: the version it speaks of. One that was written is not begun any more. */
export function heard(tag: string | null, wrote: boolean): void {
  const name = tag && TAG.exec(tag)?.[1]
  if (!tag || !name) return
  latest.set(name, tag)
  if (wrote) begun.delete(name)
}
/** The version that a change is made from: the one a draft was begun with, else the last that was read. */
export function madeFrom(url: string): string | undefined {
  const name = nameFor(pathOf(url))
  return name && (begun.get(name) ?? latest.get(name))
}
/** A draft is begun, or given up. */
export function drafting(name: string, on: boolean): void {
  const tag = latest.get(name)
  if (!on) begun.delete(name)
  else if (tag && !begun.has(name)) begun.set(name, tag)
}

export interface Stale {
  says: string
  name: string
  method: string
  path: string
  mine: unknown
}
/** A change that came second, until one of the two is chosen. */
export const stale = shallowRef<Stale | null>(null)
/** Rises when drafts of a name are to be given up: what is here now stands. */
export const givenUp = ref<{ name: string; times: number }>({ name: '', times: 0 })

export async function cameSecond(request: Request, says: string): Promise<void> {
  const path = pathOf(request.url)
  const name = nameFor(path)
  const mine: unknown = await request.json().catch(() => null)
  if (name) stale.value = { says, name, method: request.method, path, mine }
}
export function takeTheirs(): void {
  const name = stale.value?.name ?? ''
  begun.delete(name)
  stale.value = null
  givenUp.value = { name, times: givenUp.value.times + 1 }
}
/** From here on the change is made from what the other one wrote. */
export function overTheirs(): Stale | null {
  const mine = stale.value
  if (mine) begun.delete(mine.name)
  stale.value = null
  return mine
}
