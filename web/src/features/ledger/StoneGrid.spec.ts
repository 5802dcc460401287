import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import { concept, section, shown } from '@/testing'
import StoneGrid from './StoneGrid.vue'

const column = (key: string) => ({
  concept: concept(key),
  answer: 'hear_more',
  sentence: 'Hear 2 more children.',
  heard: 2,
  secure: 1,
  named: true,
  declared: false,
})
const ledger = {
  section: section('2A'),
  children: ['Ama', 'Jun', 'Tove'].map((name) => ({ id: name, name, last: null })),
  columns: [column('do'), column('re')],
  stones: { do: '0s 1d 2p', re: '0e 1y' },
}

test('each letter is its own stone, and without a letter nobody was heard', () => {
  const grid = shown(StoneGrid, { ledger, picked: null, rows: [0, 1, 2], columns: ledger.columns })
  const names = grid.findAll('tbody button').map((one) => one.attributes('aria-label'))
  expect(names).toEqual([
    'Ama, do: secure',
    'Ama, re: showed it once, due for review',
    'Jun, do: secure, due for review',
    'Jun, re: not yet',
    'Tove, do: heard in one way, not yet in another',
    'Tove, re: not heard',
  ])
  grid.unmount()
})
test('arrow keys walk the stones, one stop for Tab, and a click picks', async () => {
  const grid = shown(StoneGrid, { ledger, picked: null, rows: [0, 1, 2], columns: ledger.columns })
  const buttons = grid.findAll('tbody button')
  expect(buttons.filter((one) => one.attributes('tabindex') === '0')).toHaveLength(1)
  await grid.find('table').trigger('keydown', { key: 'ArrowRight' })
  await grid.find('table').trigger('keydown', { key: 'ArrowDown' })
  await nextTick()
  expect(document.activeElement?.getAttribute('aria-label')).toBe('Jun, re: not yet')
  await grid.find('table').trigger('keydown', { key: 'ArrowUp' })
  await nextTick()
  expect(document.activeElement?.getAttribute('aria-label')).toBe(
    'Ama, re: showed it once, due for review',
  )
  await grid.find('table').trigger('keydown', { key: 'ArrowUp' })
  await nextTick()
  expect(document.activeElement?.className).toBe('head')
  await buttons[4]?.trigger('click')
  expect(grid.emitted('pick')).toEqual([['Tove', 'do']])
  grid.unmount()
})
test('only the rows that are asked for are there, each with its own stones', () => {
  const grid = shown(StoneGrid, {
    ledger,
    picked: null,
    rows: [2, 0],
    columns: [ledger.columns[0]],
  })
  const names = grid.findAll('tbody button').map((one) => one.attributes('aria-label'))
  expect(names).toEqual(['Tove, do: heard in one way, not yet in another', 'Ama, do: secure'])
  grid.unmount()
})
