// Dates and times as a room says them.
export function weekday(iso: string): string {
  return new Date(`${iso}T12:00`).toLocaleDateString('en', { weekday: 'long' })
}
export function shortDay(iso: string): string {
  return new Date(iso.length > 10 ? iso : `${iso}T12:00`).toLocaleDateString('en', { weekday: 'short', day: 'numeric', month: 'short' })
}
export function listed(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`
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
