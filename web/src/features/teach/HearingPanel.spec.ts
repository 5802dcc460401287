import { expect, test } from 'vitest'
import { concept, shown } from '@/testing'
import HearingPanel from './HearingPanel.vue'

const place = (name: string) => ({ child_id: name, name, reason: `${name} has waited` })
const four = ['Ama', 'Jun', 'Ines', 'Tove'].map(place)
const props = (names: boolean) => ({
  hearing: {
    concept: concept('re'),
    way: 'sing',
    voices: 'alone',
    help: 'none',
    breaks: [] as string[],
    queue: four,
    best: null,
  },
  four,
  then: [place('Kofi'), place('Lien')],
  current: four[1],
  together: [four[1]],
  done: [{ child: 'Zoe', name: 'Zoe', result: 'secure', broke: [], heard: {}, act: 1 }],
  names,
  pace: null,
  help: '',
  held: false,
  hides: true,
  busy: false,
  said: new Map([['Ines', 'ee-NESH']]),
})

test('while a screen may be mirrored no name, no reason and no mark of a child is in the page at all', () => {
  const panel = shown(HearingPanel, props(false))
  for (const name of ['Ama', 'Jun', 'Ines', 'Tove', 'Kofi', 'Lien', 'Zoe', 'waited', 'NESH'])
    expect(panel.html()).not.toContain(name)
  expect(panel.text()).toContain('Child 1')
  panel.unmount()
})
test('with names: whom, why, who comes then, and which one is now', () => {
  const panel = shown(HearingPanel, props(true))
  expect(panel.text()).toContain('Jun has waited')
  expect(panel.text()).toContain('“ee-NESH” · Ines has waited')
  expect(panel.text()).toContain('then Kofi, Lien')
  expect(panel.findAll('.child').map((one) => one.attributes('aria-pressed'))).toEqual([
    'false',
    'true',
    'false',
    'false',
  ])
  panel.unmount()
})
test('a target picks a child, a result gives the mark', async () => {
  const panel = shown(HearingPanel, props(true))
  await panel.findAll('.child')[2]?.trigger('click')
  await panel.findAll('.result')[1]?.trigger('click')
  await panel.find('.away').trigger('click')
  await panel.find('.undo').trigger('click')
  expect(panel.emitted()).toMatchObject({
    pick: [['Ines']],
    give: [['nearly'], ['absent']],
    undo: [[]],
  })
  panel.unmount()
})
test('of a reading that broke one tap says where, and on a mirrored screen nothing tells that it broke', async () => {
  const reading = (names: boolean, result: string) => {
    const given = props(names)
    given.hearing.breaks = ['pitch', 'rhythm']
    given.done = [{ child: 'Zoe', name: 'Zoe', result, broke: [], heard: {}, act: 1 }]
    return shown(HearingPanel, given)
  }
  const panel = reading(true, 'nearly')
  expect(panel.find('.breaks').text()).toContain('Zoe: what broke?')
  await panel.findAll('.breaks button')[1]?.trigger('click')
  expect(panel.emitted()).toMatchObject({ locate: [['rhythm']] })
  panel.unmount()
  for (const other of [reading(false, 'nearly'), reading(true, 'secure')]) {
    expect(other.find('.breaks').exists()).toBe(false)
    other.unmount()
  }
})
