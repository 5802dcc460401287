// Where you are, as words you can click; each page says its own.
import { inject, type InjectionKey, provide, shallowRef, type ShallowRef, watchEffect } from 'vue'

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
  if (steps) watchEffect(() => (trail.value = steps()))
  return trail
}
