// Single keys for a page: they rest while one types, and can be switched off.
import { onMounted, onUnmounted, ref, shallowReactive } from 'vue'
import { device } from './useDevice'

export interface KeyAct {
  key: string
  says: string
  act: (event: KeyboardEvent) => void
  up?: () => void
}

/** The keys of the page that is open, for the sheet that `?` opens. */
export const openKeys = shallowReactive<{ acts: KeyAct[] }>({ acts: [] })

/** While a field that was asked for is still on its way: what is typed already is no key of the page. */
export const awaitsField = ref(false)

export function typing(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false
  if (target instanceof HTMLInputElement)
    return !['checkbox', 'radio', 'button', 'submit', 'file'].includes(target.type)
  return target.isContentEditable || ['TEXTAREA', 'SELECT'].includes(target.tagName)
}

export function useKeys(acts: KeyAct[]): void {
  const find = (event: KeyboardEvent) => acts.find((one) => one.key === event.key)
  const down = (event: KeyboardEvent) => {
    const found = find(event)
    const single = event.key.length === 1
    if (
      !found ||
      awaitsField.value ||
      typing(event.target) ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey
    )
      return
    if (single && !device.keys) return
    const onButton =
      event.target instanceof HTMLElement &&
      event.target.closest('button, a, input, summary, [role=button]') !== null
    // A row that was clicked keeps the focus: there Space goes on to the page's own act, Enter still presses the row.
    const through =
      event.key === ' ' &&
      event.target instanceof HTMLElement &&
      event.target.closest('[data-space-through]') !== null
    if (onButton && !through && (event.key === 'Enter' || event.key === ' ')) return
    event.preventDefault()
    found.act(event)
  }
  const up = (event: KeyboardEvent) => find(event)?.up?.()
  onMounted(() => {
    openKeys.acts = [...openKeys.acts, ...acts]
    window.addEventListener('keydown', down)
    window.addEventListener('keyup', up)
  })
  onUnmounted(() => {
    openKeys.acts = openKeys.acts.filter((one) => !acts.includes(one))
    window.removeEventListener('keydown', down)
    window.removeEventListener('keyup', up)
  })
}
