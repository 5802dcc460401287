import type { Schemas } from '@/api/client'

/** A section as its form begins; when it meets is asked, never guessed. */
export function emptySection(): Schemas['SectionBody'] {
  return { name: '', grade: 2, minutes: 30, names: '', meetings: [], declare_earlier: true }
}
