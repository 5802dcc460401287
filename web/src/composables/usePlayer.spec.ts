import { beforeEach, expect, test, vi } from 'vitest'
import { effectScope } from 'vue'

const sound = vi.hoisted(() => ({ from: [] as number[], ready: [] as (() => void)[] }))
vi.mock('./useSound', () => ({
  silence: () => undefined,
  performer: () =>
    new Promise((found) =>
      sound.ready.push(() => found((from: number) => void sound.from.push(from))),
    ),
}))
const { usePlayer } = await import('./usePlayer')

function player() {
  const one = effectScope().run(() =>
    usePlayer(
      () => () => Promise.resolve([]),
      () => 60_000,
    ),
  )
  if (!one) throw new Error('no player')
  return one
}
const settled = () => new Promise((done) => setTimeout(done))
beforeEach(() => sound.from.splice(0) && sound.ready.splice(0))

test('stopped while its instruments are still coming, a piece does not sound afterwards', async () => {
  const one = player()
  const started = one.start(0)
  await settled()
  one.stop()
  sound.ready.forEach((ready) => ready())
  await started
  expect(sound.from).toEqual([])
  expect(one.playing.value).toBe(false)
})
test('asked for twice, only the second moment is played', async () => {
  const one = player()
  const both = [one.start(0), one.start(30_000)]
  await settled()
  sound.ready.forEach((ready) => ready())
  await Promise.all(both)
  expect(sound.from).toEqual([30_000])
  expect([one.playing.value, one.now.value]).toEqual([true, 30_000])
  one.stop()
})
test('played to the end it begins again from the beginning', async () => {
  const one = player()
  const started = one.start(59_990)
  await settled()
  sound.ready.forEach((ready) => ready())
  await started
  expect(sound.from).toEqual([0])
  one.stop()
})
