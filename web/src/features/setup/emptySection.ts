import type { Schemas } from '@/api/client'

/** A section as its form begins. */
export function emptySection(): Schemas['SectionBody'] {
  return { name: '', grade: 2, minutes: 30, names: '', meetings: [{ weekday: 0, starts: '09:00', minutes: null }], declare_earlier: true }
}
