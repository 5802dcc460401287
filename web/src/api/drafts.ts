// A draft of something that is written as a whole. As long as nothing is changed it follows what is here; once it is
// begun it stays, whatever somebody else writes meanwhile, and knows what it was begun from.
import { onUnmounted, ref, watch, type Ref } from 'vue'
import { drafting, givenUp } from './versions'

export function useDraft<From, Draft>(
  name: () => string,
  from: () => From | undefined,
  make: (from: From) => Draft,
) {
  const draft = ref() as Ref<Draft | undefined>
  let base = ''
  const text = (one: unknown) => JSON.stringify(one) ?? ''
  const dirty = () => draft.value !== undefined && text(draft.value) !== base
  function anew() {
    const now = from()
    if (now === undefined) return
    draft.value = make(now)
    base = text(draft.value)
    drafting(name(), false)
  }
  watch(
    from,
    (now) => {
      // what was written is here again: the draft is the same as it
      if (now !== undefined && (!dirty() || text(make(now)) === text(draft.value))) anew()
    },
    { immediate: true },
  )
  watch(draft, () => drafting(name(), dirty()), { deep: true })
  watch(givenUp, (one) => one.name === name() && anew())
  onUnmounted(() => drafting(name(), false))
  return { draft, dirty }
}

/** For a page that keeps its draft by itself and knows whether it is begun: what it was begun from is remembered, and
 * `anew` puts what is here now in its place when that was chosen. */
export function useBegun(name: () => string, dirty: Ref<boolean>, anew: () => void) {
  watch(dirty, (on) => drafting(name(), on))
  watch(givenUp, (one) => {
    if (one.name !== name()) return
    dirty.value = false
    anew()
  })
  onUnmounted(() => drafting(name(), false))
}
