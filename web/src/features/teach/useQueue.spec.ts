import 'fake-indexeddb/auto'
import { beforeEach, expect, test, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'

type Event = Schemas['BatchBody']['events'][number]
const server = vi.hoisted(() => ({ got: [] as Event[], down: false }))
vi.mock('@/api/client', async (original) => ({
  ...(await original<typeof import('@/api/client')>()),
  api: {
    POST: (_: string, { body }: { body: { events: Event[] } }) => {
      if (server.down) return Promise.reject(new TypeError('no network'))
      server.got.push(...body.events)
      return Promise.resolve({ data: body.events.map(({ id }) => ({ id, outcome: 'taken' })) })
    },
  },
}))
const { begin, outbox, settled } = await import('@/api/outbox')
const { useQueue } = await import('./useQueue')

const place = (child: string) => ({ child_id: child, name: child, reason: '' })
const hearing = () =>
  ref({
    concept: { key: 're' },
    way: 'sing',
    voices: 'alone',
    help: 'none',
    queue: ['Ama', 'Jun', 'Ines', 'Tove', 'Kofi', 'Lien'].map(place),
  } as unknown as Schemas['HearingRead'])
const queueOf = () =>
  useQueue(
    () => 'S',
    () => 'L',
    () => 'P',
    hearing(),
  )
beforeEach(async () => {
  server.down = false
  await begin('teacher')
  await settled()
  server.got.length = 0
})

test('the next name is up at once, the sign once the mark is safe, and one key undoes the last mark', async () => {
  const queue = queueOf()
  const kept = queue.give('secure')
  expect(queue.current.value?.name).toBe('Jun')
  expect(queue.done.value[0]?.event).toBe('')
  await kept
  expect(queue.done.value[0]?.event).not.toBe('')
  await queue.undo()
  expect(queue.current.value?.name).toBe('Ama')
  await settled()
  expect(server.got.map((one) => one.kind)).toEqual(['marked', 'taken_back'])
  expect(server.got[1]).toMatchObject({ target_id: server.got[0]?.id })
  expect(server.got.map((one) => one.sequence)).toEqual([1, 2])
})
test('keys pressed faster than the disk: every mark has its child, and two undos take the last two back', async () => {
  const queue = queueOf()
  void queue.give('secure')
  void queue.give('nearly')
  void queue.give('not_yet')
  await Promise.all([queue.undo(), queue.undo()])
  await settled()
  const marked = server.got.filter((one) => one.kind === 'marked')
  expect(marked.map((one) => 'child_id' in one && one.child_id)).toEqual(['Ama', 'Jun', 'Ines'])
  const back = server.got
    .filter((one) => one.kind === 'taken_back')
    .map((one) => 'target_id' in one && one.target_id)
  expect(new Set(back)).toEqual(new Set([marked[1]?.id, marked[2]?.id]))
  expect(queue.done.value.map((one) => one.child)).toEqual(['Ama'])
})
test('an absent child is passed over without a mark', async () => {
  const queue = queueOf()
  await queue.give('absent')
  await settled()
  expect(server.got).toMatchObject([{ kind: 'absent', child_id: 'Ama', lesson_id: 'L' }])
  expect(queue.four.value.map((one) => one.name)).toEqual(['Jun', 'Ines', 'Tove', 'Kofi'])
})
test('a mark made without a network is kept, another page of this browser passes the child over, and it is sent later, once', async () => {
  server.down = true
  await queueOf().give('nearly')
  await settled()
  expect(outbox.waiting.value).toBe(1)
  await nextTick()
  expect(queueOf().four.value.map((one) => one.name)).not.toContain('Ama')
  server.down = false
  await settled()
  await settled()
  expect(server.got).toMatchObject([{ kind: 'marked', result: 'nearly', way: 'sing' }])
  expect(outbox.waiting.value).toBe(0)
})
test('what broke in the last reading is told with the mark made anew, and undo takes that one back', async () => {
  const queue = queueOf()
  await queue.give('nearly')
  await queue.locate('rhythm')
  await queue.locate('pitch')
  await queue.locate('rhythm')
  expect(queue.done.value[0]?.broke).toEqual(['pitch'])
  await queue.undo()
  await settled()
  const marked = server.got.filter((one) => one.kind === 'marked')
  const backs = server.got.flatMap((one) => (one.kind === 'taken_back' ? [one.target_id] : []))
  expect(marked.map((one) => one.broke)).toEqual([
    undefined,
    ['rhythm'],
    ['rhythm', 'pitch'],
    ['pitch'],
  ])
  expect(backs).toEqual(marked.map((one) => one.id))
  expect(queue.current.value?.name).toBe('Ama')
})
test('a pair is marked as a group in one act and taken back in one; who passes has no mark', async () => {
  const queue = queueOf()
  queue.size.value = 2
  await queue.give('nearly')
  expect(queue.done.value.map((one) => one.child)).toEqual(['Ama', 'Jun'])
  await queue.undo()
  expect(queue.done.value).toEqual([])
  queue.size.value = 1
  await queue.give('passed')
  await settled()
  expect(server.got.map((one) => [one.kind, 'voices' in one ? one.voices : ''])).toEqual([
    ['marked', 'group'],
    ['marked', 'group'],
    ['taken_back', ''],
    ['taken_back', ''],
    ['passed', ''],
  ])
})
test('all at once: everybody who waits has it but for those tapped, and one undo takes all back', async () => {
  const queue = queueOf()
  await queue.giveAll(new Set(['Jun']), true)
  await settled()
  const marked = server.got.filter((one) => one.kind === 'marked')
  expect(marked.map((one) => one.result)).toEqual(
    ['Ama', 'Jun', 'Ines', 'Tove', 'Kofi', 'Lien'].map((child) =>
      child === 'Jun' ? 'not_yet' : 'secure',
    ),
  )
  expect(marked.every((one) => one.together && one.could_copy && one.voices === 'alone')).toBe(true)
  await queue.undo()
  await settled()
  expect(server.got.filter((one) => one.kind === 'taken_back')).toHaveLength(6)
  expect(queue.everybody.value).toHaveLength(6)
})
test('marks that were meant for another concept are moved there, each beside the one it stands for', async () => {
  const queue = queueOf()
  await queue.give('secure')
  await queue.give('nearly')
  await settled()
  await queue.move([], 'mi')
  await settled()
  const before = server.got.slice(0, 2)
  const moved = server.got.slice(2).filter((one) => one.kind === 'marked')
  expect(moved.map((one) => [one.concept, one.result, one.supersedes])).toEqual([
    ['mi', 'secure', before[0]?.id],
    ['mi', 'nearly', before[1]?.id],
  ])
})
test('a secure reading broke nowhere', async () => {
  const queue = queueOf()
  await queue.give('secure')
  await queue.locate('rhythm')
  await settled()
  expect(server.got).toHaveLength(1)
})
