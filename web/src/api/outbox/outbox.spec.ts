// The laws of the outbox: nothing is lost, nothing is doubled, nothing is sent by or shown to somebody else, nothing blocks the rest.
import 'fake-indexeddb/auto'
import { beforeEach, expect, test } from 'vitest'
import { reactive } from 'vue'
import { Refusal } from '../client'
import * as kept from './kept'
import { moveOver } from './moveOver'
import { type Post, sendAll } from './send'

const note = (text: string) => ({
  kind: 'noted' as const,
  section_id: 's',
  lesson_id: 'l',
  note: text,
})
const texts = (events: readonly kept.OutEvent[]) =>
  events.map((one) => ('note' in one ? one.note : ''))

class Server {
  got: kept.OutEvent[] = []
  batches = 0
  constructor(readonly trouble: (events: kept.OutEvent[]) => Error | undefined = () => undefined) {}
  post: Post = (_, events) => {
    this.batches += 1
    const wrong = this.trouble(events)
    if (wrong) return Promise.reject(wrong)
    const known = new Set(this.got.map((one) => one.id))
    const answers = events.map(({ id }) => ({
      id,
      outcome: known.has(id) ? ('known' as const) : ('taken' as const),
    }))
    this.got.push(...events.filter((one) => !known.has(one.id)))
    return Promise.resolve(answers)
  }
}
const broken = (text: string) => (events: kept.OutEvent[]) =>
  texts(events).includes(text) ? new Refusal(500, 'unexpected', 'broke') : undefined

beforeEach(async () => {
  localStorage.clear()
  await kept.forget([...(await kept.of('ann')), ...(await kept.of('bo'))].map((one) => one.id))
})

test('what was kept is there after the browser was closed, and is sent in the order it was made', async () => {
  for (const text of ['a', 'b', 'c']) await kept.keep('ann', [note(text)])
  await kept.close()
  const server = new Server()
  expect(await sendAll('ann', server.post)).toBe('none')
  expect(texts(server.got)).toEqual(['a', 'b', 'c'])
  const numbers = server.got.map((one) => one.sequence)
  expect(numbers).toEqual([...numbers].sort((one, two) => one - two))
  expect(await kept.of('ann')).toEqual([])
})
test('two tabs that keep at the same moment never share a number, and whichever sends, each event arrives once', async () => {
  await Promise.all(Array.from({ length: 40 }, (_, n) => kept.keep('ann', [note(String(n))])))
  const server = new Server()
  await Promise.all([sendAll('ann', server.post), sendAll('ann', server.post)])
  expect(new Set(server.got.map((one) => one.sequence)).size).toBe(40)
  expect(server.got.length).toBe(40)
})
test('an answer that got lost does no harm: the same events are sent again under the same ids', async () => {
  await kept.keep('ann', [note('a')])
  const server = new Server()
  let lost = true
  const post: Post = async (now, events) => {
    const answers = await server.post(now, events)
    if (lost) throw new TypeError('the line went dead')
    return answers
  }
  expect(await sendAll('ann', post)).toBe('away')
  lost = false
  expect(await sendAll('ann', post)).toBe('none')
  expect(texts(server.got)).toEqual(['a'])
})
test('what one teacher made is neither sent by nor shown to another', async () => {
  await kept.keep('ann', [note('of ann')])
  await kept.keep('bo', [note('of bo')])
  const server = new Server()
  await sendAll('bo', server.post)
  expect(texts(server.got)).toEqual(['of bo'])
  expect((await kept.of('ann')).map((one) => one.owner)).toEqual(['ann'])
})
test('a session that ran out keeps everything and says so', async () => {
  await kept.keep('ann', [note('a')])
  expect(
    await sendAll('ann', new Server(() => new Refusal(401, 'signed_out', 'sign in')).post),
  ).toBe('signed-out')
  expect((await kept.of('ann')).length).toBe(1)
})
test('an event that the server breaks over does not hold up the others, and is still here', async () => {
  await kept.keep('ann', ['a', 'b', 'bad', 'c', 'd', 'e', 'f'].map(note))
  const server = new Server(broken('bad'))
  expect(await sendAll('ann', server.post)).toBe('away')
  expect(texts(server.got)).toEqual(['a', 'b', 'c', 'd', 'e', 'f'])
  expect(texts((await kept.of('ann')).map((one) => one.event))).toEqual(['bad'])
  expect(await sendAll('ann', new Server().post)).toBe('none')
})
test('an event that is refused is kept with the reason and not tried again by itself', async () => {
  await kept.keep('ann', ['a', 'odd', 'b'].map(note))
  const server = new Server((events) =>
    texts(events).includes('odd')
      ? new Refusal(422, 'request_invalid', 'not as it should be')
      : undefined,
  )
  expect(await sendAll('ann', server.post)).toBe('none')
  expect(texts(server.got)).toEqual(['a', 'b'])
  const [left] = await kept.of('ann')
  expect([left?.refused, left && texts([left.event])]).toEqual(['not as it should be', ['odd']])
  const before = server.batches
  await sendAll('ann', server.post)
  expect(server.batches).toBe(before)
})
test('more than a batch holds goes in several', async () => {
  await kept.keep(
    'ann',
    Array.from({ length: 1203 }, (_, n) => note(String(n))),
  )
  const server = new Server()
  await sendAll('ann', server.post)
  expect([server.got.length, server.batches]).toEqual([1203, 3])
})
test('what an earlier version left is moved over once, and its place is deleted', async () => {
  const body = {
    lesson_id: 'l',
    cell_id: 'p',
    child_id: 'jun',
    concept: 're',
    result: 'secure',
    help: null,
    moment: '2026-11-20T09:00:00.000Z',
  }
  const old = [
    { id: 'm1', body },
    { id: 'a1', absent: { lesson: 'l', child: 'kofi', is: true } },
    { id: 'm1', withdraw: true },
    { id: 'x', absent: { lesson: 'l', child: 'kofi', is: false } },
  ]
  localStorage.setItem('kopje-waiting-marks', JSON.stringify(old))
  const away = {
    section: () => Promise.reject(new TypeError('no network')),
    part: () => Promise.resolve(undefined),
  }
  await expect(moveOver('ann', away)).rejects.toThrow()
  expect(localStorage.getItem('kopje-waiting-marks')).not.toBeNull()
  const there = {
    section: () => Promise.resolve('s'),
    part: () => Promise.resolve({ way: 'sing', voices: 'alone', help: 'model' }),
  }
  expect(await moveOver('ann', there)).toBe(4)
  expect(localStorage.getItem('kopje-waiting-marks')).toBeNull()
  const events = (await kept.of('ann')).map((one) => one.event)
  expect(events).toMatchObject([
    { id: 'm1', kind: 'marked', child_id: 'jun', help: 'model', clock: body.moment },
    { id: 'a1', kind: 'absent', child_id: 'kofi' },
    { kind: 'taken_back', target_id: 'm1' },
    { kind: 'taken_back', target_id: 'a1' },
  ])
  expect(await moveOver('ann', there)).toBe(0)
})
test('what a page holds reactively is kept as plain values', async () => {
  const parts = reactive([
    {
      id: 'p',
      slot: 'a',
      role: 'main',
      activity: 'b',
      material: { kind: 'song' as const, id: 's' },
      concept: null,
      purpose: null,
      minutes: 4,
      new: null,
      left_over: false,
    },
  ])
  await kept.keep('ann', [
    {
      kind: 'started',
      section_id: 's',
      lesson_id: 'l',
      lesson: { day: '2026-11-24', starts: '09:10', minutes: 30 },
      parts,
    },
  ])
  expect((await kept.of('ann')).map((one) => 'parts' in one.event && one.event.parts)).toEqual([
    [{ ...parts[0], material: { kind: 'song', id: 's' } }],
  ])
})
