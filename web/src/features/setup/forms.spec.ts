import { beforeEach, expect, test } from 'vitest'
import { nextTick, reactive } from 'vue'
import { wording } from '@/composables/useWording'
import { concept, section, shown } from '@/testing'
import ChangesForm from './ChangesForm.vue'
import { complete, emptySection } from './emptySection'
import SectionForm from './SectionForm.vue'
import WordsForm, { wordsBody } from './WordsForm.vue'

beforeEach(() => Object.assign(wording.value, { dates: 'day_first', clock: '24' }))
const selects = (view: ReturnType<typeof shown>) => view.findAllComponents({ name: 'VSelect' })
const titled = (view: ReturnType<typeof shown>, label: string) =>
  selects(view).find((one) => one.props('label') === label)

test('a split class holds its grade and the next one, and nothing else', async () => {
  const mine = reactive({ ...emptySection(), name: '2/3' })
  const view = shown(SectionForm, { modelValue: mine })
  const together = titled(view, 'Taught together with')
  expect(together?.props('items')).toEqual([
    { value: null, title: 'nobody else' },
    { value: 3, title: 'Grade 3' },
  ])
  together?.vm.$emit('update:modelValue', 3)
  await nextTick()
  expect(mine.upper).toBe(3)
  titled(view, 'Grade')?.vm.$emit('update:modelValue', 4)
  await nextTick()
  expect(titled(view, 'Taught together with')?.props('modelValue')).toBeNull() // 3 is not next to 4
  titled(view, 'Grade')?.vm.$emit('update:modelValue', 13)
  await nextTick()
  expect(titled(view, 'Taught together with')).toBeUndefined() // a choir is of its own kind
  view.unmount()
})
test('a section is not sent before each of its meetings has a time', async () => {
  const mine = reactive({ ...emptySection(), name: '2A' })
  const view = shown(SectionForm, { modelValue: mine, now: { weekday: 1, starts: '09:10' } })
  expect(complete(mine)).toBe(true)
  await view
    .findAll('button')
    .find((one) => one.text().includes('Add a meeting'))
    ?.trigger('click')
  expect(complete(mine)).toBe(false)
  const meeting = mine.meetings[0]
  if (meeting) meeting.starts = '10:30'
  expect(complete(mine)).toBe(true)
  view.unmount()
})

const words = {
  so: 'so',
  ti: 'ti',
  names: 'solfa',
  rhythm: 'ta-titi',
  minor: 'la',
  model: 'prepare-present-practise',
  phase_words: {},
  phases: {},
  dates: 'day_first',
  clock: '24',
  models: [
    {
      key: 'prepare-present-practise',
      name: 'prepare, present, practise',
      phases: [{ key: 'prepare', word: 'prepare', purpose: 'prepare', usual: 4 }],
    },
  ],
  terms: [{ key: 'phrase', usual: 'phrase', own: 'breath' }],
  figures: [
    {
      key: 'half',
      name: 'half note',
      notes: 1,
      rest: false,
      systems: { 'ta-titi': 'ta-a' },
      own: '',
    },
    {
      key: 'beat_rest',
      name: 'beat rest',
      notes: 1,
      rest: true,
      systems: { 'ta-titi': '' },
      own: 'sh',
    },
  ],
} as never

test('the school’s own words are sent as they stand, with what was not touched', async () => {
  const view = shown(WordsForm, { words, busy: false })
  const half = view
    .findAllComponents({ name: 'VTextField' })
    .find((one) => one.props('label') === 'half note')
  expect(half?.props('placeholder')).toBe('ta-a')
  half?.vm.$emit('update:modelValue', 'long')
  await view.find('form').trigger('submit')
  const [sent] = view.emitted('keep')?.[0] as [Record<string, unknown>]
  expect(sent.own_rhythm).toEqual({ half: 'long', beat_rest: 'sh' })
  expect(sent.terms).toEqual({ phrase: 'breath' })
  view.unmount()
})
test('what is read goes back as it was', () => {
  const sent = wordsBody(words)
  expect([sent.dates, sent.clock, sent.terms]).toEqual(['day_first', '24', { phrase: 'breath' }])
})

test('a change for several sections is one row, and is taken away as one', async () => {
  const change = (id: string, section_id: string) => ({
    id,
    kind: 'lost',
    day: '2026-11-30',
    starts: null,
    why: 'Trip',
    section_id,
  })
  const view = shown(ChangesForm, {
    calendar: {
      changes: [change('a', '2A'), change('b', '2B')],
      concerts: [],
      terms: [],
      holidays: [],
    },
    sections: [section('2A'), section('2B')],
    concepts: [concept('do')],
    busy: false,
  })
  const rows = view.findAll('.list li')
  expect(rows).toHaveLength(1)
  expect(rows[0]?.text()).toContain('2A, 2B')
  await rows[0]?.find('button').trigger('click')
  const [gone] = view.emitted('unchange')?.[0] as [{ id: string }[]]
  expect(gone.map((one) => one.id)).toEqual(['a', 'b'])
  view.unmount()
})
