import { beforeEach, expect, test, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'

const sent = vi.hoisted(() => ({ calls: [] as { verb: string; path: string; id: string; result?: string }[], down: false }))
vi.mock('@/api/client', async (original) => {
  const real = await original<typeof import('@/api/client')>()
  const call = (verb: string) => (path: string, at: { params: { path: Record<string, string> }; body?: { result: string } }) => {
    if (sent.down) return Promise.reject(new TypeError('no network'))
    sent.calls.push({ verb, path, id: Object.values(at.params.path).at(-1) ?? '', result: at.body?.result })
    return Promise.resolve({ data: {} })
  }
  return { ...real, api: { PUT: call('PUT'), DELETE: call('DELETE') } }
})
const { useQueue } = await import('./useQueue')
const { send } = await import('./useMarks')

const place = (child: string) => ({ child_id: child, name: child, reason: '' })
const hearing = () =>
  ref({ concept: { key: 're' }, queue: ['Ama', 'Jun', 'Ines', 'Tove', 'Kofi', 'Lien'].map(place) } as unknown as Schemas['HearingRead'])
const settle = async () => {
  await send()
  await nextTick()
}
beforeEach(async () => {
  sent.down = false
  await settle()
  sent.calls.length = 0
})

test('the next name is up at once, and one key undoes the last mark', async () => {
  const queue = useQueue(() => 'L', () => 'C', hearing())
  queue.give('secure')
  expect(queue.current.value?.name).toBe('Jun')
  queue.undo()
  expect(queue.current.value?.name).toBe('Ama')
  await settle()
  expect(sent.calls.map((one) => one.verb)).toEqual(['PUT', 'DELETE'])
  expect(sent.calls[1]?.id).toBe(sent.calls[0]?.id)
})
test('an absent child is passed over without a mark', async () => {
  const queue = useQueue(() => 'L', () => 'C', hearing())
  queue.give('absent')
  await settle()
  expect(sent.calls).toMatchObject([{ verb: 'PUT', path: '/api/lessons/{lesson_id}/absences/{child_id}', id: 'Ama' }])
  expect(queue.four.value.map((one) => one.name)).toEqual(['Jun', 'Ines', 'Tove', 'Kofi'])
})
test('a mark made without a network is kept on the device and sent later, once', async () => {
  const queue = useQueue(() => 'L', () => 'C', hearing())
  sent.down = true
  queue.give('nearly')
  await settle()
  expect(queue.marks.waiting.value).toBe(1)
  expect(localStorage.getItem('kopje-waiting-marks')).toContain('nearly')
  sent.down = false
  await settle()
  expect(sent.calls).toMatchObject([{ verb: 'PUT', result: 'nearly' }])
  expect(localStorage.getItem('kopje-waiting-marks')).toBe('[]')
})
