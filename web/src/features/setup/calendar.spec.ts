import { beforeEach, expect, test } from 'vitest'
import { nextTick } from 'vue'
import { wording } from '@/composables/useWording'
import { shown } from '@/testing'
import CalendarForm from './CalendarForm.vue'
import SingersForm from './SingersForm.vue'

beforeEach(() => Object.assign(wording.value, { dates: 'day_first', clock: '24' }))
const span = (name: string, first: string, last: string) => ({ name, first, last })
const calendar = {
  terms: [span('First term', '2026-08-17', '2026-12-18')],
  holidays: [span('Autumn break', '2026-10-26', '2026-10-30')],
  cycle: 0,
  changes: [],
  concerts: [],
  assumed: false,
}
const press = async (view: ReturnType<typeof shown>, words: string) =>
  view
    .findAll('button')
    .find((one) => one.text().includes(words))
    ?.trigger('click')

test('a new term begins where the last one ends, and nothing is sent before it has both days', async () => {
  const view = shown(CalendarForm, { calendar, busy: false })
  const keep = () => view.findAll('button').find((one) => one.text() === 'Keep these dates')
  expect(keep()?.attributes('disabled')).toBeUndefined()
  await press(view, 'Add a term')
  const days = view.findAllComponents({ name: 'DayField' })
  expect(days).toHaveLength(6)
  const last = days[3]
  last?.vm.$emit('update:modelValue', null)
  await nextTick()
  expect(keep()?.attributes('disabled')).toBeDefined()
  last?.vm.$emit('update:modelValue', '2027-05-28')
  await nextTick()
  await view.find('form').trigger('submit')
  const [sent] = view.emitted('keep')?.[0] as [typeof calendar]
  expect(sent.terms.map((one) => one.last)).toEqual(['2026-12-18', '2027-05-28'])
  expect(sent.terms[1]?.first).toBe('2026-12-18')
  expect(calendar.terms).toHaveLength(1) // what was read stays as it was until the server has kept it
  view.unmount()
})
test('a holiday is taken out by its own button, named for who cannot see it', async () => {
  const view = shown(CalendarForm, { calendar, busy: false })
  const button = view.find('button[aria-label="Remove: Autumn break"]')
  await button.trigger('click')
  await view.find('form').trigger('submit')
  const [sent] = view.emitted('keep')?.[0] as [typeof calendar]
  expect([sent.terms.length, sent.holidays.length]).toEqual([1, 0])
  view.unmount()
})

const singer = (id: string, section: string, sings: boolean) => ({ id, name: id, section, sings })
test('singers are chosen class by class, and counted', async () => {
  const children = [
    singer('Ama', '4A', true),
    singer('Jun', '4A', false),
    singer('Bo', '4B', false),
  ]
  const view = shown(SingersForm, { children, name: 'Choir' })
  expect(view.findAll('summary').map((one) => one.text())).toEqual(['4A 1 singer', '4B 0 singers'])
  expect(view.findAllComponents({ name: 'VCheckbox' })).toEqual([])
  for (const one of view.findAll('details')) {
    one.element.open = true
    await one.trigger('toggle')
  }
  const boxes = view.findAllComponents({ name: 'VCheckbox' })
  boxes[2]?.vm.$emit('update:modelValue', ['Ama', 'Bo'])
  await nextTick()
  expect(view.text()).toContain('2 singers')
  await view.find('form').trigger('submit')
  expect(view.emitted('keep')).toEqual([[['Ama', 'Bo']]])
  view.unmount()
})
