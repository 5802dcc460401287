import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, test } from 'vitest'
import { nextTick } from 'vue'
import { wording } from '@/composables/useWording'
import { shown } from '@/testing'
import DayField from './DayField.vue'
import MonthDay from './MonthDay.vue'
import TimeField from './TimeField.vue'

beforeEach(() => Object.assign(wording.value, { dates: 'day_first', clock: '24' }))

const field = (component: typeof DayField | typeof TimeField, modelValue: string | null) => {
  const view = shown(component, {
    modelValue,
    label: 'First day',
    'onUpdate:modelValue': (value: string | null) => view.setProps({ modelValue: value }),
  })
  const input = () => view.find<HTMLInputElement>('input')
  return {
    view,
    said: () => input().element.value,
    type: async (text: string) => {
      input().element.value = text
      await input().trigger('input')
      await nextTick()
    },
    leave: async () => {
      await input().trigger('change')
      await flushPromises()
    },
    kept: () => view.emitted('update:modelValue')?.at(-1)?.[0],
  }
}

test('a day stands as the school writes it, and is kept as every calendar does', async () => {
  const day = field(DayField, '2026-11-24')
  expect(day.said()).toBe('24/11/2026')
  await day.type('3.12.2026')
  expect(day.kept()).toBe('2026-12-03')
  expect(day.said()).toBe('3.12.2026') // not rewritten under the hand that types
  await day.leave()
  expect(day.said()).toBe('03/12/2026')
  day.view.unmount()
})
test('a short day counts once one goes on, in the year of the day that stood there', async () => {
  const day = field(DayField, '2027-01-11')
  await day.type('5/2')
  expect(day.kept()).toBeUndefined()
  await day.leave()
  expect(day.kept()).toBe('2027-02-05')
  day.view.unmount()
})
test('what is no day is said at the field, and the day before stays', async () => {
  const day = field(DayField, '2026-11-24')
  await day.type('31/2/2026')
  await day.leave()
  expect(day.view.text()).toContain('No day: write it like 24/11/2026.')
  expect(day.kept()).toBeUndefined()
  await day.type('')
  expect(day.kept()).toBeNull()
  day.view.unmount()
})
test('a time is typed by 24 hours or by 12, and kept by 24', async () => {
  const time = field(TimeField, '09:10')
  await time.type('10:45')
  expect(time.kept()).toBe('10:45')
  wording.value.clock = '12'
  await time.type('2 pm')
  await time.leave()
  expect([time.kept(), time.said()]).toEqual(['14:00', '2:00 pm'])
  await time.type('25 pm')
  await time.leave()
  expect(time.view.text()).toContain('No time: write it like 2:30 pm.')
  expect(time.kept()).toBe('14:00')
  time.view.unmount()
})
test('a day of every year is one that every year has', async () => {
  const view = shown(MonthDay, { modelValue: '10-31', label: 'Not before', none: 'any day' })
  const month = view.findComponent({ name: 'VSelect' })
  month.vm.$emit('update:modelValue', 2)
  expect(view.emitted('update:modelValue')?.at(-1)).toEqual(['02-29'])
  month.vm.$emit('update:modelValue', 0)
  expect(view.emitted('update:modelValue')?.at(-1)).toEqual([''])
  expect(month.props('items')).toHaveLength(13)
  view.unmount()
})
