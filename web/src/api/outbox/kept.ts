// What this device has not sent yet, in IndexedDB: each event under its owner, device and sequence.
import { newId } from '../ids'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Schemas } from '../client'

export type OutEvent = Schemas['BatchBody']['events'][number]
type Without<T> = T extends unknown ? Omit<T, 'id' | 'clock' | 'device' | 'sequence'> : never
/** What happened; who made it, when and in which order is added when it is kept. */
export type Happened = Without<OutEvent>

export interface Kept {
  id: string
  owner: string
  device: string
  sequence: number
  event: OutEvent
  /** Why the server would not have it as it is; empty while it waits. */
  refused: string
}
interface Shape extends DBSchema {
  events: { key: string; value: Kept; indexes: { order: [string, string, number] } }
  device: { key: string; value: { key: string; id: string; sequence: number } }
}

let opened: Promise<IDBPDatabase<Shape>> | undefined
const database = () =>
  (opened ??= openDB<Shape>('kopje-outbox', 1, {
    upgrade(db) {
      db.createObjectStore('events', { keyPath: 'id' }).createIndex(
        'order',
        ['owner', 'device', 'sequence'],
        { unique: true },
      )
      db.createObjectStore('device', { keyPath: 'key' })
    },
    terminated: () => (opened = undefined),
  }))

/** Forget the open connection; for tests that play another browser. */
export async function close(): Promise<void> {
  ;(await opened)?.close()
  opened = undefined
}

/** Keep events, all or none; once this has come back they are on the disk. */
export async function keep(
  owner: string,
  happened: readonly Happened[],
  clock = new Date(),
  ids: readonly string[] = [],
): Promise<Kept[]> {
  const db = await database()
  const tx = db.transaction(['events', 'device'], 'readwrite', { durability: 'strict' })
  const here = (await tx.objectStore('device').get('here')) ?? {
    key: 'here',
    id: newId(),
    sequence: 0,
  }
  const kept = happened.map((one, index) => {
    here.sequence += 1
    const id = ids[index] ?? newId()
    const plain = JSON.parse(JSON.stringify(one)) as Happened // the disk takes no reactive values
    const event = {
      ...plain,
      id,
      clock: clock.toISOString(),
      device: here.id,
      sequence: here.sequence,
    } as OutEvent
    return { id, owner, device: here.id, sequence: here.sequence, event, refused: '' }
  })
  for (const one of kept) await tx.objectStore('events').put(one)
  await tx.objectStore('device').put(here)
  await tx.done
  return kept
}

/** Everything of one owner that is still here, in the order it was made. */
export async function of(owner: string): Promise<Kept[]> {
  const db = await database()
  return db.getAllFromIndex('events', 'order', IDBKeyRange.bound([owner], [owner, []]))
}

export async function forget(ids: readonly string[]): Promise<void> {
  const tx = (await database()).transaction('events', 'readwrite', { durability: 'strict' })
  for (const id of ids) await tx.store.delete(id)
  await tx.done
}

export async function refuse(id: string, why: string): Promise<void> {
  const db = await database()
  const there = await db.get('events', id)
  if (there) await db.put('events', { ...there, refused: why })
}
