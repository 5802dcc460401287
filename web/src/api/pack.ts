// Fills the pack for today and the next school day: asked once, quietly, one answer after the other; the service worker keeps them.
import { api, body, type Schemas } from './client'
import { lessonLook, partExercise, scoreOf } from './practice'

const SOON = 8_000 // milliseconds after one is here
const AGAIN = 30 * 60_000
const WIDTHS = [
  { width: '1500', wall: 'false' },
  { width: '1450', wall: 'true' },
]
const PIECES = 4 // cards, or changes
let timer = 0
let ended = false // one signed out while it was filled

/** From now on, while this page is open. */
export function keepPack(): void {
  ended = false
  window.clearTimeout(timer)
  timer = window.setTimeout(() => void fill().finally(again), SOON)
}
export function endPack(): void {
  ended = true
  window.clearTimeout(timer)
}
function again(): void {
  if (ended) return
  timer = window.setTimeout(() => void fill().finally(again), AGAIN)
}
/** The browser is asked to keep what lies here, also when it gets short of room. */
async function persist(): Promise<void> {
  const storage = (navigator as { storage?: StorageManager }).storage
  if (storage && 'persist' in storage) await storage.persist()
}

/** The service worker answers for this page: at the first visit that takes as long as it takes to bring the application here. */
async function controlled(workers: ServiceWorkerContainer): Promise<void> {
  if (workers.controller) return
  await new Promise((go) => workers.addEventListener('controllerchange', go, { once: true }))
}

async function fill(): Promise<void> {
  if (!navigator.serviceWorker || !navigator.onLine) return
  await controlled(navigator.serviceWorker)
  try {
    await persist()
    // What every page asks; it was asked before anything here was kept.
    await api.GET('/api/me')
    await api.GET('/api/first-run')
    await api.GET('/api/words')
    await api.GET('/api/sections')
    for (const lesson of await lessons()) if (!ended) await one(lesson)
  } catch {
    // Nobody answers, or one is signed out: what is there stays, and it is tried again later.
  }
}
/** Lessons of the day that is shown, and of the next day that has any. */
async function lessons(): Promise<string[]> {
  const day = await body(api.GET('/api/day'))
  const weeks = [day.today, later(day.today, 7)]
  const days: Schemas['WeekDayRead'][] = []
  for (const at of weeks)
    days.push(...(await body(api.GET('/api/week', { params: { query: { day: at } } }))))
  const next = days.find((one) => one.day > day.day && one.lessons.some((at) => at.lesson_id))
  const found = [
    ...day.entries.map((one) => one.lesson_id),
    ...(next?.lessons.map((one) => one.lesson_id) ?? []),
  ]
  return [...new Set(found.filter((one) => one !== null))]
}
function later(day: string, by: number): string {
  const at = new Date(`${day}T12:00:00Z`)
  at.setUTCDate(at.getUTCDate() + by)
  return at.toISOString().slice(0, 10)
}
async function one(id: string): Promise<void> {
  const lesson = await body(
    api.GET('/api/lessons/{lesson_id}', { params: { path: { lesson_id: id } } }),
  )
  for (const part of lesson.parts) {
    if (ended) return
    await api.GET('/api/lessons/{lesson_id}/parts/{part_id}/hearing', {
      params: { path: { lesson_id: id, part_id: part.id }, query: { order: 'rota' } },
    })
    if (part.song) for (const how of WIDTHS) await score(part.song.id, part.song.first, how)
    if (part.reads) await reading(id, part)
    if (part.piece)
      await api.GET('/api/recordings/{recording_id}', {
        params: { path: { recording_id: part.piece.id } },
      })
  }
}
/** What the part reads, made now where it was not opened yet, as the page and the wall ask for it. */
async function reading(lesson_id: string, part: { id: string; reads: string }) {
  const found = await partExercise(lesson_id, part.id, { fresh: false, change: 'same' })
  if (!found) return
  await api.GET('/api/lessons/{lesson_id}/parts/{part_id}/exercise', {
    params: { path: { lesson_id, part_id: part.id } },
  })
  const pieces = part.reads === 'line' ? 1 : PIECES
  for (let at = 0; at < pieces; at += 1)
    for (const wall of [false, true])
      await fetch(
        scoreOf(found.id, lessonLook({ parts: found.parts.length, reads: part.reads, at }, wall)),
      )
}
/** The same address that the page asks (useScore). */
async function score(song: string, first: number | null, how: (typeof WIDTHS)[number]) {
  const asked = new URLSearchParams([
    ['width', how.width],
    ['wall', how.wall],
    ['words', 'true'],
    ['v', ''],
    ['alone', String(first !== null)],
    ...(first === null ? [] : [['part', String(first)]]),
  ])
  await fetch(`/api/songs/${song}/score?${asked.toString()}`)
}
