import type { Schemas } from '@/api/client'

/** A section as its form begins; when it meets is asked, never guessed. */
export function emptySection(): Schemas['SectionBody'] {
  return {
    name: '',
    grade: 2,
    upper: null,
    minutes: 30,
    names: '',
    meetings: [],
    declare_earlier: true,
  }
}
/** What can be sent: a section with a name whose meetings all have a time. */
export const complete = (section: Schemas['SectionBody']): boolean =>
  section.name.trim() !== '' && section.meetings.every((one) => one.starts !== '')
