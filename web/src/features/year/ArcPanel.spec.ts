import { expect, test } from 'vitest'
import { concept, section, shown } from '@/testing'
import ArcPanel from './ArcPanel.vue'

const lessons = Array.from(
  { length: 30 },
  (_, index) => `2026-09-${String(1 + (index % 28)).padStart(2, '0')}`,
)
const arc = (more = {}) => ({
  concept: concept('do'),
  line: 'melody',
  start: 5,
  end: 16,
  begun: false,
  fixed: false,
  core: true,
  short: false,
  ...more,
  phases: [
    { phase: 'prepare', first: 5, last: 8 },
    { phase: 'present', first: 9, last: 9 },
    { phase: 'practise', first: 10, last: 13 },
    { phase: 'warm', first: 14, last: 15 },
    { phase: 'assess', first: 16, last: 16 },
  ],
})
const year = (more = {}, overrides: unknown[] = []) => ({
  section: section('2A'),
  lessons,
  arcs: [arc(more)],
  taught_concepts: [],
  overrides,
  next_lesson: 3,
})
const panel = (more = {}, overrides: unknown[] = []) =>
  shown(ArcPanel, {
    year: year(more, overrides),
    concept: concept('do'),
    busy: false,
    pushed: null,
    refused: '',
  })
const press = async (view: ReturnType<typeof panel>, words: string) =>
  view
    .findAll('button')
    .find((one) => one.text().startsWith(words))
    ?.trigger('click')

test('an arc is moved by one lesson, and what was said before is kept', async () => {
  const view = panel({}, [
    { concept: 'do', start: 5, prepare: 5, practise: null, next_year: false },
  ])
  await press(view, 'Later')
  expect(view.emitted('override')).toMatchObject([
    [{ concept: 'do', start: 6, prepare: 5, practise: null, next_year: false }],
  ])
  view.unmount()
})
test('practice counts what is practised and what is kept warm', async () => {
  const view = panel()
  expect(view.text()).toContain('Practise 6')
  const longer = view.findAll('button').filter((one) => one.text().startsWith('Longer'))
  await longer.at(-1)?.trigger('click')
  expect(view.emitted('override')).toMatchObject([[{ practise: 7 }]])
  view.unmount()
})
test('what has begun is neither moved nor put off, and says so', () => {
  const view = panel({ begun: true })
  expect(view.text()).toContain('what was taught stays as it was')
  expect(
    view
      .findAll('button')
      .map((one) => one.text())
      .join(),
  ).not.toMatch(/Earlier|next year/)
  view.unmount()
})
test('short arcs have no lengths to change', () => {
  const view = panel({ short: true })
  expect(view.text()).not.toContain('Practise 6')
  expect(view.text()).toContain('Begins in lesson 5')
  view.unmount()
})
test('an arc is split in its middle, stays where it began, and is joined again', async () => {
  const view = panel()
  await press(view, 'Split it')
  expect(view.emitted('override')).toMatchObject([[{ start: 5, pause_from: 10, pause: 2 }]])
  view.unmount()
  const split = panel({}, [
    {
      concept: 'do',
      start: 5,
      prepare: null,
      practise: null,
      next_year: false,
      pause_from: 9,
      pause: 3,
    },
  ])
  expect(split.text()).toContain('for 3 lessons')
  await press(split, 'Join it again')
  expect(split.emitted('override')).toMatchObject([[{ start: 5, pause_from: null, pause: null }]])
  split.unmount()
})
