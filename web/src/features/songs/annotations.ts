// The teacher's word on a song's analysis, and what it is while she has said nothing.
import type { Schemas } from '@/api/client'

export type Annotations = Schemas['AnnotationsBody']
export const nothingSaid = (): Annotations => ({
  do: null,
  resting: null,
  beat: null,
  phrases: [],
  labels: [],
  repairs: {},
  has: [],
  lacks: [],
  sung: null,
})
