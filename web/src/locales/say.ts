// Every word a user sees comes from the catalogue in `locales/`, which the server reads too.
import { FluentBundle, FluentResource, type FluentVariable } from '@fluent/bundle'
import { createFluentVue } from 'fluent-vue'
import { computed } from 'vue'
import { wording } from '@/composables/useWording'
import english from '../../../locales/en/page.ftl?raw'
import type { Key } from './generated/keys'

const functions = {
  CAP: ([text]: unknown[]) => String(text).charAt(0).toUpperCase() + String(text).slice(1),
}
export function bundleOf(language: string, text: string): FluentBundle {
  const bundle = new FluentBundle(language, { useIsolating: false, functions: functions as never })
  bundle.addResource(new FluentResource(text))
  return bundle
}
export const fluent = createFluentVue({ bundles: [bundleOf('en', english)] })

/** Speak another language that this Kopje has; what it lacks is said in English. */
export function speak(language: string, text: string): void {
  fluent.bundles = [bundleOf(language, text), bundleOf('en', english)]
}

type Values = Record<string, FluentVariable>
const TERMS = {
  phrase: 'word-phrase',
  phrases: 'word-phrases',
  rest: 'word-rest',
  rests: 'word-rests',
  resting_tone: 'word-resting-tone',
  home: 'word-home',
} as const
/** What children are told, in the school's own words; sentences have it as `$word_…`. */
const terms = computed<Values>(() =>
  Object.fromEntries(
    Object.entries(TERMS).map(([key, usual]) => [
      `word_${key}`,
      wording.value.terms.find((one) => one.key === key)?.own || fluent.$t(usual),
    ]),
  ),
)
/** A sentence or a word by its key. */
export const say = (key: Key, values: Values = {}): string =>
  fluent.$t(key, { ...terms.value, ...values })
/** A word of a group, for a value that names it; a value without one says itself. */
export function sayOf(
  group: string,
  value: string | number,
  otherwise: string = String(value),
): string {
  const key = `${group}-${String(value)
    .replace(/([a-z0-9])([A-Z])/g, '$1-$2')
    .toLowerCase()
    .replace(/[^a-z0-9_-]+/g, '-')}`
  return known(key) ? fluent.$t(key, terms.value) : otherwise
}
/** The words of a group for some of its values, to choose from. */
export const choices = <T extends string | number>(group: string, values: readonly T[]) =>
  values.map((value) => ({ value, title: sayOf(group, value) }))
export const known = (key: string): boolean =>
  [...fluent.bundles].some((bundle) => bundle.hasMessage(key))
