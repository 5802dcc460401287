import { flushPromises } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { shown } from '@/testing'
import RosterForm from './RosterForm.vue'

const read = {
  sections: [{ name: '2A', grade: 2, minutes: 30, meetings: [], children: ['Ama', 'Jun'] }],
  problems: [{ row: 4, sentence: '“14” is no grade (K, or 1 to 12)' }],
}
const press = async (view: ReturnType<typeof shown>, words: string) => {
  await view
    .findAll('button')
    .find((one) => one.text().includes(words))
    ?.trigger('click')
  await flushPromises()
}

test('nothing is kept before the teacher has seen what was understood and which rows are wrong', async () => {
  const look = vi.fn(() => Promise.resolve(read))
  const bring = vi.fn(() => Promise.resolve([{ name: '2A', new: true, children: 2, already: 0 }]))
  const view = shown(RosterForm, { look, bring })
  await view.find('textarea').setValue('section\tname\n2A\tAma')
  await press(view, 'Look at it')
  expect(view.text()).toContain('1 section and 2 children understood.')
  expect(view.text()).toContain('Row 4: “14” is no grade')
  expect(bring).not.toHaveBeenCalled()
  await press(view, 'Keep the good rows')
  expect(bring).toHaveBeenCalledWith({ sections: read.sections })
  expect(view.text()).toContain('1 new section, 2 children added.')
  view.unmount()
})
test('a table that is refused leaves what was typed where it is', async () => {
  const view = shown(RosterForm, {
    look: () => Promise.reject(new Error('The table is empty. Nothing was kept.')),
    bring: vi.fn(),
  })
  await view.find('textarea').setValue('x')
  await press(view, 'Look at it')
  expect(view.find('p[role=alert]').text()).toContain('The table is empty')
  expect(view.find('textarea').element.value).toBe('x')
  view.unmount()
})
