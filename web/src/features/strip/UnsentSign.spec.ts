import { ref } from 'vue'
import { expect, test, vi } from 'vitest'
import { mount, RouterLinkStub } from '@vue/test-utils'
import UnsentSign from './UnsentSign.vue'

const told = vi.hoisted(() => ({ since: 0 }))
vi.mock('@/api/outbox', () => ({
  LONG: 24 * 60 * 60_000,
  outbox: {
    waiting: ref(2),
    refused: ref([]),
    since: {
      get value() {
        return told.since
      },
    },
  },
}))
vi.mock('@/api/lessons', () => ({ useAside: () => ({ data: ref([]) }) }))
vi.mock('@/api/queries', () => ({ useMe: () => ({ data: ref({ role: 'owner' }) }) }))

test.each([
  ['an hour', 1, false],
  ['two days', 48, true],
])('what waits for %s is warned of: %i h, %s', async (_, hours, warned) => {
  told.since = Date.now() - hours * 3_600_000
  const view = mount(UnsentSign, { global: { stubs: { RouterLink: RouterLinkStub } } })
  expect(view.text()).toBe('')
  await vi.waitFor(() => expect(view.text()).toContain('2 things not sent yet'), 10_000)
  expect(view.text().includes('since')).toBe(warned)
  expect(view.find('.long').exists()).toBe(warned)
  view.unmount()
})
