import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import { shown } from '@/testing'
import FitList from './FitList.vue'
import SongSentence from './SongSentence.vue'
import VariantBar from './VariantBar.vue'

const reason = (sentence: string, weight = 'for') => ({ sentence, weight, about: '' })
const fit = (title: string, reasons: ReturnType<typeof reason>[], allowed = true) => ({
  song: { id: title, title },
  allowed,
  sentence: reasons.map((one) => one.sentence).join(' '),
  reasons,
  key: 'F',
  lessons_met: 0,
})

test('what speaks for every song is said once, and each says what is its own', () => {
  const view = shown(FitList, {
    fits: [
      fit('One', [reason('Has re twice.'), reason('Not named yet: fa.', 'against')]),
      fit('Two', [reason('Has re once.'), reason('Not named yet: fa.', 'against')]),
      fit('Three', [reason('No re.', 'bars')], false),
    ],
    picked: '',
  })
  expect(view.find('.shared').text()).toBe('All of them: Not named yet: fa.')
  expect(view.findAll('.fits:not(.barred) .sentence').map((one) => one.text())).toEqual([
    'Has re twice.',
    'Has re once.',
  ])
  expect(view.find('details').text()).toContain('No re.')
  view.unmount()
})
test('a single song keeps its whole sentence', () => {
  const view = shown(FitList, { fits: [fit('One', [reason('Has re twice.')])], picked: 'One' })
  expect(view.find('.shared').exists()).toBe(false)
  expect(view.find('.sentence').text()).toBe('Has re twice.')
  view.unmount()
})

const kind = (key: string, name: string) => ({ key, name, songs: 2 })
test('“that has” is grouped, a thing stands there once, and no more than eight are asked', async () => {
  const view = shown(SongSentence, {
    modelValue: { section: null, has: [], known: false, fits: false, new: false, rested: null },
    sections: [{ id: 's', name: '2A' }],
    concepts: [{ key: 're', name: 're', in_music: true }],
    kinds: [kind('meter:6/8', '6/8'), kind('tone:fi', 'fi'), kind('tone:re', 're')],
    kept: [],
  })
  const adding = view.findComponent({ name: 'VAutocomplete' })
  const items = adding.props('items') as { title: string; type?: string }[]
  expect(items.filter((one) => one.type === 'subheader').map((one) => one.title)).toEqual([
    'What you teach',
    'Meters',
    'Tones',
  ])
  expect(items.filter((one) => one.title === 're')).toHaveLength(1)
  for (let n = 0; n < 9; n += 1) {
    adding.vm.$emit('update:modelValue', `tone:${n}`)
    const now = view.emitted('update:modelValue')?.at(-1)?.[0] as { has: string[] }
    await view.setProps({ modelValue: { ...now } })
  }
  adding.vm.$emit('update:modelValue', 'tone:1')
  const last = view.emitted('update:modelValue')?.at(-1)?.[0] as { has: string[] }
  expect(last.has).toEqual(Array.from({ length: 8 }, (_, n) => `tone:${n}`))
  view.unmount()
})

test('another tonality and another do go together, and one press leads back', async () => {
  const view = shown(VariantBar, { modelValue: {}, own: { do: 'F', tonality: 'major' } })
  const [how, letter] = view.findAllComponents({ name: 'VSelect' })
  how?.vm.$emit('update:modelValue', 'parallel')
  await view.setProps({ modelValue: { recast: 'parallel' } })
  letter?.vm.$emit('update:modelValue', 'G')
  expect(view.emitted('update:modelValue')?.at(-1)).toEqual([{ recast: 'parallel', do: 'G' }])
  how?.vm.$emit('update:modelValue', null)
  expect(view.emitted('update:modelValue')?.at(-1)).toEqual([{ do: 'G' }])
  await view.setProps({ modelValue: { recast: 'parallel' } })
  await nextTick()
  await view.find('button').trigger('click')
  expect(view.emitted('update:modelValue')?.at(-1)).toEqual([{}])
  view.unmount()
})
