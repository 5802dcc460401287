import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import LessonContour from './LessonContour.vue'

const block = (
  title: string,
  minutes: number,
  energy: 'seated' | 'standing' | 'moving',
  more = {},
) => ({ title, minutes, energy, new: null, left_over: false, ...more })

test('width is minutes, height is energy, and the picture can be read aloud', () => {
  const view = mount(LessonContour, {
    props: {
      blocks: [block('Story', 3, 'seated'), block('Ring game', 6, 'moving', { new: 'the song' })],
    },
  })
  const drawn = view.findAll('rect.block')
  const sizes = drawn.map(
    (one) => [Number(one.attributes('width')), Number(one.attributes('height'))] as const,
  )
  const [[firstWidth, firstHeight], [secondWidth, secondHeight]] = sizes as [
    [number, number],
    [number, number],
  ]
  expect(secondWidth).toBeGreaterThan(firstWidth * 1.5)
  expect(secondHeight).toBeGreaterThan(firstHeight)
  expect(view.html()).toContain('Ring game, 6 min, moving, new')
})
