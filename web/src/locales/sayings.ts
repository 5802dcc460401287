// Sentences that need a little arithmetic before they are said.
import { say } from './say'

export function comesNext(name: string, minutes: number): string {
  return say('today-next', {
    name,
    minutes,
    when: minutes > 90 ? 'later' : minutes > 0 ? 'soon' : 'now',
  })
}
export const yearFound = (gap: number) => say('year-found', { gap: Math.max(gap, 0) })
export const hoursLeft = (minutes: number) =>
  say('year-minutes', { hours: Math.floor(minutes / 60), minutes: minutes % 60 })
export const movedBy = (n: number) =>
  say('year-by', { n: Math.abs(n), way: n > 0 ? 'later' : 'earlier' })
export const spareLessons = (n: number) =>
  say('year-spare', { n: Math.abs(n), fits: n < 0 ? 'no' : 'yes' })
export function moves(counts: Partial<Record<string, number>>): string {
  const some = ['repeat', 'step', 'skip', 'leap'].flatMap((kind) =>
    counts[kind] ? [say('insight-move', { kind, n: counts[kind] })] : [],
  )
  const half = counts.half_step ? ` ${say('insight-half-steps', { n: counts.half_step })}` : ''
  return some.join(', ') + half
}
export const phrasesHeard = (bars: readonly number[]) =>
  say('insight-heard', { n: bars.length, bars: bars.join(', ') })
export const barRange = (first: number, last: number) =>
  say('insight-bars', { first, last, several: first === last ? 0 : 1 })
export function rowsSum(tones: number, seconds: number): string {
  return say('drills-sum', {
    tones,
    time: `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`,
  })
}
export function luckOf(share: number, least: number | null, count: number): string {
  if (least === null) return say('games-luck-only', { count, share: (share * 100).toFixed(0) })
  return say('games-luck', { count, least, share: (share * 100).toFixed(1) })
}
export function importSum(added: number, already: number, refused: number): string {
  const more = [
    already ? say('songs-sum-already', { already }) : '',
    refused ? say('songs-sum-refused', { refused }) : '',
  ]
  return `${[say('songs-sum-added', { added }), ...more].filter(Boolean).join(', ')}.`
}
export const pointed = (bar: number, tone: string, pitch: string) =>
  [say('song-pointed', { bar }), tone, pitch].filter(Boolean).join(', ')
export const howSure = (share: number) => say('song-sure', { share: Math.round(share * 100) })
export const someBars = (list: readonly number[]) =>
  list.length > 6 ? `${list.slice(0, 6).join(', ')} …` : list.join(', ')
