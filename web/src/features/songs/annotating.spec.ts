import { beforeEach, expect, test, vi } from 'vitest'
import { ref } from 'vue'
import { concept, shown } from '@/testing'
import { nothingSaid } from './annotations'
import AnnotationsForm from './AnnotationsForm.vue'
import PlayBar from './PlayBar.vue'

const song = (annotations = {}) => ({
  annotations: { ...nothingSaid(), ...annotations },
  own: { do: 'F', resting_tone: 'do', form: 'a b' },
  phrase_bars: [1, 5],
  form: 'a b',
})
const form = (annotations = {}) =>
  shown(AnnotationsForm, {
    song: song(annotations),
    concepts: [concept('re'), concept('fa')],
    refused: '',
    busy: false,
  })
type Sent = Record<string, unknown>
const last = (view: ReturnType<typeof form>) => view.emitted('annotate')?.at(-1)?.[0] as Sent
const field = (view: ReturnType<typeof form>, kind: string, label: string) =>
  view.findAllComponents({ name: kind }).find((one) => one.props('label') === label)

test('one word of the teacher goes with all she has said before', () => {
  const view = form({ beat: '2', phrases: [5], labels: ['a', 'b'] })
  field(view, 'VSelect', 'Resting tone')?.vm.$emit('update:modelValue', 'la')
  expect(last(view)).toEqual({
    ...nothingSaid(),
    beat: '2',
    phrases: [5],
    labels: ['a', 'b'],
    resting: 'la',
  })
  field(view, 'VSelect', 'Resting tone')?.vm.$emit('update:modelValue', null)
  expect(last(view).resting).toBeNull()
  view.unmount()
})
test('bars and letters are read as they are written', async () => {
  const view = form()
  const bars = field(view, 'VTextField', 'Phrases begin in bars')
  const letters = field(view, 'VTextField', 'Letters of the phrases')
  bars?.vm.$emit('update:modelValue', '5, 9 and 13')
  letters?.vm.$emit('update:modelValue', "a a' b a")
  await bars?.find('input').trigger('change')
  expect(last(view).phrases).toEqual([5, 9, 13])
  expect(last(view).labels).toEqual(['a', "a'", 'b', 'a'])
  view.unmount()
})
test('a song has a concept or lacks it, never both, and either is taken away by a press', async () => {
  const view = form({ has: ['re'] })
  const [has, lacks] = view.findAllComponents({ name: 'VAutocomplete' })
  lacks?.vm.$emit('update:modelValue', 're')
  expect([last(view).has, last(view).lacks]).toEqual([[], ['re']])
  has?.vm.$emit('update:modelValue', 'fa')
  expect(last(view).has).toEqual(['re', 'fa'])
  await view.find('button.tag').trigger('click')
  expect([last(view).has, last(view).lacks]).toEqual([[], []])
  view.unmount()
})
test('all of it is taken back at once', async () => {
  const view = form({ do: 'G', has: ['re'], repairs: { 2: 'longer' } })
  const buttons = view.findAll('button')
  await buttons.at(-1)?.trigger('click')
  expect(last(view)).toEqual(nothingSaid())
  view.unmount()
})

const player = () => ({
  playing: ref(false),
  tempo: ref(80),
  phrase: ref<number | null>(null),
  loop: ref(false),
  rhythmOnly: ref(false),
  tonicFirst: ref(true),
  beatsAMinute: ref(80),
  turn: vi.fn(),
})
let mine = player()
beforeEach(() => {
  mine = player()
})

test('what sounds is one phrase or all, on an instrument or as rhythm alone', async () => {
  const view = shown(PlayBar, { player: mine, phrases: ['a', "a'"] })
  const [what, on] = view.findAllComponents({ name: 'VSelect' })
  expect((what?.props('items') as { title: string }[]).map((one) => one.title)).toEqual([
    'all of it',
    'phrase 1 (a)',
    "phrase 2 (a')",
  ])
  what?.vm.$emit('update:modelValue', 1)
  expect(mine.phrase.value).toBe(1)
  what?.vm.$emit('update:modelValue', null)
  expect(mine.phrase.value).toBeNull()
  on?.vm.$emit('update:modelValue', 'rhythm')
  expect(mine.rhythmOnly.value).toBe(true)
  on?.vm.$emit('update:modelValue', 'bars')
  expect(mine.rhythmOnly.value).toBe(false)
  view.findComponent({ name: 'VSlider' }).vm.$emit('update:modelValue', 96)
  expect(mine.tempo.value).toBe(96)
  await view.find('button').trigger('click')
  expect(mine.turn).toHaveBeenCalledOnce()
  view.unmount()
})
