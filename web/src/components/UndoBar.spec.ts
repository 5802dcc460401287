import { flushPromises } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import { forgetUndo, offerUndo } from '@/composables/useUndo'
import { shown } from '@/testing'
import UndoBar from './UndoBar.vue'

afterEach(forgetUndo)
const press = async (view: ReturnType<typeof shown>, words: string) => {
  await view
    .findAll('button')
    .find((one) => one.text() === words)
    ?.trigger('click')
  await flushPromises()
}

test('it says what was done, takes it back once, and says that it did', async () => {
  const view = shown(UndoBar, {})
  expect(view.text()).toBe('')
  const back = vi.fn(() => Promise.resolve())
  offerUndo('The dates were kept.', back)
  await nextTick()
  expect(view.find('[role=status]').text()).toContain('The dates were kept.')
  await press(view, 'Take it back')
  expect(back).toHaveBeenCalledOnce()
  expect(view.text()).toContain('Taken back.')
  expect(view.text()).not.toContain('Take it back')
  view.unmount()
})
test('the next thing that is done takes its place', async () => {
  const view = shown(UndoBar, {})
  const [first, second] = [vi.fn(() => Promise.resolve()), vi.fn(() => Promise.resolve())]
  offerUndo('One', first)
  offerUndo('Two', second)
  await nextTick()
  expect(view.text()).not.toContain('One')
  await press(view, 'Take it back')
  expect([first.mock.calls.length, second.mock.calls.length]).toEqual([0, 1])
  view.unmount()
})
test('what cannot be taken back any more is said', async () => {
  const view = shown(UndoBar, {})
  offerUndo('One', () => Promise.reject(new Error('Lessons have moved it since.')))
  await nextTick()
  await press(view, 'Take it back')
  expect(view.text()).toContain('△ Lessons have moved it since.')
  await press(view, 'Close')
  expect(view.text()).toBe('')
  view.unmount()
})
