// Where you are, as words you can click; each page says its own.
import {
  inject,
  type InjectionKey,
  provide,
  ref,
  shallowRef,
  type ShallowRef,
  watchEffect,
} from 'vue'

export interface Step {
  says: string
  to?: string
}
const TRAIL: InjectionKey<ShallowRef<Step[]>> = Symbol('trail')

export function provideTrail(): void {
  provide(TRAIL, shallowRef<Step[]>([]))
}
export function useTrail(steps?: () => Step[]): ShallowRef<Step[]> {
  const trail = inject(TRAIL, () => shallowRef<Step[]>([]), true)
  if (steps)
    watchEffect(() => {
      trail.value = steps()
      const named = trail.value
        .map((step) => /^\/sections\/([^/]+)$/.exec(step.to ?? '')?.[1])
        .find(Boolean)
      if (named) sectionHere.value = named
    })
  return trail
}

/** The section one was with last: its ledger is the one that is meant. */
export const sectionHere = ref('')
