import { mount } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { device } from './useDevice'
import { openKeys, useKeys } from './useKeys'

const acted = vi.fn()
const Page = defineComponent({
  setup() {
    useKeys([
      { key: 'd', says: 'done', act: acted },
      { key: 'ArrowRight', says: 'next', act: acted },
    ])
    return () =>
      h('div', [h('input', { type: 'text' }), h('input', { type: 'checkbox' }), h('button', 'x')])
  },
})
const press = (on: Element, key: string, more = {}) =>
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }))
afterEach(() => {
  acted.mockClear()
  device.keys = true
})

test('a single key rests while one types, and works from a checkbox or a button', () => {
  const page = mount(Page, { attachTo: document.body })
  const [text, box] = page.findAll('input').map((one) => one.element)
  press(text as Element, 'd')
  expect(acted).not.toHaveBeenCalled()
  press(box as Element, 'd')
  press(page.find('button').element, 'd')
  expect(acted).toHaveBeenCalledTimes(2)
  page.unmount()
})
test('single keys can be switched off; arrows stay', () => {
  const page = mount(Page, { attachTo: document.body })
  device.keys = false
  press(document.body, 'd')
  expect(acted).not.toHaveBeenCalled()
  press(document.body, 'ArrowRight')
  expect(acted).toHaveBeenCalledTimes(1)
  press(document.body, 'd', { ctrlKey: true })
  expect(acted).toHaveBeenCalledTimes(1)
  page.unmount()
})
test('a page takes its keys along when it goes', () => {
  const page = mount(Page, { attachTo: document.body })
  expect(openKeys.acts.map((one) => one.key)).toEqual(['d', 'ArrowRight'])
  page.unmount()
  expect(openKeys.acts).toEqual([])
  press(document.body, 'd')
  expect(acted).not.toHaveBeenCalled()
})
