import type { ObjectDirective } from 'vue'

/**
 * Where one types first: the field has the cursor as soon as it stands there.
 *
 * Not the library's `autofocus`, which waits until the field has been seen and then takes the cursor away from whatever
 * has been clicked meanwhile: on a slow machine half a password landed in the name.
 */
export const vFirst: ObjectDirective<HTMLElement> = {
  mounted: (element) => (element.querySelector('input') ?? element).focus(),
}
