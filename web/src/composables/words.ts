// Dates and times as a room says them.
import { say } from '@/locales/say'

const LANGUAGE = document.documentElement.lang || 'en'
// The formats are made once: making one takes longer than drawing what it says.
const WEEKDAY = new Intl.DateTimeFormat(LANGUAGE, { weekday: 'long' })
const SHORT_DAY = new Intl.DateTimeFormat(LANGUAGE, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
})
const WEEKDAY_SHORT = new Intl.DateTimeFormat(LANGUAGE, { weekday: 'short' })
const MOMENT = new Intl.DateTimeFormat(LANGUAGE, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
})
const MONTH = new Intl.DateTimeFormat(LANGUAGE, { month: 'short' })
const noon = (iso: string) => (iso ? new Date(iso.length > 10 ? iso : `${iso}T12:00`) : undefined)
const said = (format: Intl.DateTimeFormat, iso: string) => {
  const day = noon(iso)
  return day ? format.format(day) : ''
}

export function weekday(iso: string): string {
  return said(WEEKDAY, iso)
}
export function shortDay(iso: string): string {
  return said(SHORT_DAY, iso)
}
/** A day with the time. */
export function shortMoment(iso: string): string {
  return said(MOMENT, iso)
}
/** 0 is Monday. */
export function weekdayShort(day: number): string {
  return WEEKDAY_SHORT.format(new Date(2024, 0, 1 + day, 12))
}
export function monthName(iso: string): string {
  return said(MONTH, iso)
}
export function listed(words: readonly string[]): string {
  return words.length < 2
    ? words.join('')
    : say('listed', { before: words.slice(0, -1).join(', '), last: words.at(-1) ?? '' })
}
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
export function minutesUntil(now: string, then: string): number {
  const of = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5))
  return of(then) - of(now)
}
/** A pitch as teachers write it: F♯4. */
export function pitchName(pitch: string): string {
  return pitch.replace('#', '♯').replace(/(?<=[A-G])b/, '♭')
}
