// Dates and times as the school writes them.
import { computed } from 'vue'
import { wording } from '@/composables/useWording'
import { say } from '@/locales/say'

const LANGUAGE = document.documentElement.lang || 'en'
const LOCALES = { day_first: 'en-GB', month_first: 'en-US', iso: 'sv-SE' }
const locale = computed(() => (LANGUAGE === 'en' ? LOCALES[wording.value.dates] : LANGUAGE))
// The formats are made once: making one takes longer than drawing what it says.
const formats = computed(() => {
  const of = (how: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale.value, how)
  const words = (how: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(LANGUAGE === 'en' ? 'en-GB' : LANGUAGE, how)
  return {
    weekday: words({ weekday: 'long' }),
    weekdayShort: words({ weekday: 'short' }),
    month: words({ month: 'short' }),
    monthLong: words({ month: 'long' }),
    day: of({ day: 'numeric', month: 'short' }),
    full: of({ day: '2-digit', month: '2-digit', year: 'numeric' }),
  }
})
const noon = (iso: string) => (iso ? new Date(iso.length > 10 ? iso : `${iso}T12:00`) : undefined)
const said = (format: Intl.DateTimeFormat, iso: string) => {
  const day = noon(iso)
  return day ? format.format(day) : ''
}
const local = (moment: Date) =>
  `${moment.getFullYear()}-${String(moment.getMonth() + 1).padStart(2, '0')}-${String(moment.getDate()).padStart(2, '0')}`

/** How long something lasts, or a moment in it: `1:05`. */
export function runTime(milliseconds: number): string {
  const seconds = Math.floor(milliseconds / 1000)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
export function weekday(iso: string): string {
  return said(formats.value.weekday, iso)
}
export function shortDay(iso: string): string {
  const day = noon(iso)
  if (!day) return ''
  const short = formats.value.weekdayShort.format(day)
  return `${short} ${wording.value.dates === 'iso' ? local(day) : formats.value.day.format(day)}`
}
/** A day in figures, as it is written into a field: 24/11/2026. */
export function writtenDay(iso: string): string {
  return wording.value.dates === 'iso' ? iso : said(formats.value.full, iso)
}
/** The day that somebody wrote, or nothing. A year of two figures is of this century; without one it is `year`'s. */
export function readDay(text: string, year: number): string | undefined {
  const found = text.trim().match(/\d+/g)?.map(Number) ?? []
  const whole = /^\s*\d{4}\D/.test(text)
  if (found.length < 2 || found.length > 3) return undefined
  const [a = 0, b = 0, c = year] = found
  const [y, m, d] = whole
    ? [a, b, c]
    : wording.value.dates === 'month_first'
      ? [c, a, b]
      : [c, b, a]
  const day = new Date(y < 100 ? 2000 + y : y, m - 1, d, 12)
  return day.getMonth() === m - 1 && day.getDate() === d ? local(day) : undefined
}
/** A time such as 14:30 as the school writes it. */
export function clock(time: string | null | undefined): string {
  if (!time) return ''
  if (wording.value.clock === '24') return time.slice(0, 5)
  const hour = Number(time.slice(0, 2))
  return say('clock-12', {
    time: `${hour % 12 || 12}:${time.slice(3, 5)}`,
    half: hour < 12 ? 'am' : 'pm',
  })
}
/** The time that somebody wrote (9:10, 910, 9.10 am, 2 pm), or nothing. */
export function readTime(text: string): string | undefined {
  const found = /^\s*(\d{1,2})\s*[:.h]?\s*(\d{2})?\s*([ap])?\.?m?\.?\s*$/i.exec(text)
  if (!found) return undefined
  const half = found[3]?.toLowerCase()
  const minutes = Number(found[2] ?? 0)
  if (half && (Number(found[1]) < 1 || Number(found[1]) > 12)) return undefined
  const hours = half ? (Number(found[1]) % 12) + (half === 'p' ? 12 : 0) : Number(found[1])
  if (hours > 23 || minutes > 59) return undefined
  return `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}`
}
/** A day with the time. */
export function shortMoment(iso: string): string {
  const moment = noon(iso)
  if (!moment) return ''
  const [h, m] = [moment.getHours(), moment.getMinutes()].map((n) => String(n).padStart(2, '0'))
  return `${shortDay(iso)}, ${clock(`${h}:${m}`)}`
}
/** 0 is Monday. */
export function weekdayShort(day: number): string {
  return formats.value.weekdayShort.format(new Date(2024, 0, 1 + day, 12))
}
export function monthName(iso: string): string {
  return said(formats.value.month, iso)
}
/** 0 is January. */
export function monthLong(month: number): string {
  return formats.value.monthLong.format(new Date(2024, month, 1, 12))
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
