// An activity as it is sent: from one that is there, or from nothing.
import type { Schemas } from '@/api/client'

export type ActivityBody = Schemas['ActivityBody']
type Detail = Schemas['ActivityDetail']

export const emptyActivity = (): ActivityBody => ({
  like: null,
  title: '',
  kind: 'singing',
  roles: ['game'],
  low: 0,
  high: 5,
  least: 2,
  usual: 4,
  most: 6,
  energy: 'standing',
  grouping: 'all',
  support: 'teacher leads',
  steps: [''],
  forms: [],
  song: 'none',
  purposes: [],
  about: [],
  hears: 0,
  way: 'sing',
  voices: 'alone',
  help: 'none',
  props: '',
  care: '',
  easier: '',
  harder: '',
  instead: '',
  works: '',
  fewest: 1,
  at_most: 40,
  routine: false,
})

/** Everything that is told of an activity, to be changed or to make another one from it. */
export function bodyOf(one: Detail, like: string | null): ActivityBody {
  const [least = 1, usual = 1, most = 1] = one.minutes
  const { title, roles, low, high, energy, grouping, support, song, hears, way, voices, help } = one
  const { props, care, easier, harder, instead, works, fewest, at_most, routine } = one
  return {
    ...{ like, title, kind: one.kind_key, roles: [...roles], low, high, least, usual, most },
    ...{ energy, grouping, support, song, hears, way, voices, help, props, care, easier, harder },
    ...{ instead, works, fewest, at_most, routine, steps: [...one.steps] },
    forms: one.forms.map((form) => ({ ...form })),
    purposes: [...one.purposes],
    about: one.about.map((concept) => concept.key),
  }
}

export const complete = (one: ActivityBody): boolean =>
  one.title.trim() !== '' &&
  one.steps.some((step) => step.trim()) &&
  one.roles.length > 0 &&
  one.least <= one.usual &&
  one.usual <= one.most &&
  one.low <= one.high
