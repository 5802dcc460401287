// The school's own words, once for the whole page: phases, syllables, names of degrees. Set when they are read.
import { ref } from 'vue'

export interface Wording {
  so: string
  ti: string
  names: 'solfa' | 'numbers' | 'letters'
  model: string
  phases: Record<string, string>
  phase_words: Record<string, string>
  dates: 'day_first' | 'month_first' | 'iso'
  clock: '24' | '12'
  terms: readonly { key: string; usual: string; own: string }[]
}
export const wording = ref<Wording>({
  so: 'so',
  ti: 'ti',
  names: 'solfa',
  model: 'prepare-present-practise',
  phases: {},
  phase_words: {},
  dates: 'day_first',
  clock: '24',
  terms: [],
})

const DEGREES = ['do', 're', 'mi', 'fa', 'so', 'la', 'ti']
const RAISED: Record<string, string> = { di: 'do', ri: 're', fi: 'fa', si: 'so', li: 'la' }
const LOWERED: Record<string, string> = { ra: 're', me: 'mi', se: 'so', le: 'la', te: 'ti' }

/** A stored degree as this school says it; with a pitch (F#4) letter names can be said too. */
export function degreeName(key: string, pitch?: string): string {
  const match = /^([a-z]+[#b]*)([,']*)$/.exec(key)
  if (!match) return key
  const [, tone = '', marks = ''] = match
  if (wording.value.names === 'letters' && pitch)
    return pitch
      .replace(/-?\d+$/, '')
      .replace('#', '♯')
      .replace(/(?<=[A-G])b/, '♭')
  if (wording.value.names === 'numbers') {
    const natural = RAISED[tone] ?? LOWERED[tone] ?? tone
    return `${RAISED[tone] ? '♯' : LOWERED[tone] ? '♭' : ''}${DEGREES.indexOf(natural) + 1}${marks}`
  }
  if (tone === 'so') return wording.value.so + marks
  if (tone === 'ti') return wording.value.ti + marks
  return (tone === 'si' && wording.value.ti === 'si' ? `${wording.value.so}♯` : tone) + marks
}

/** The school's word for a stretch of an arc, or null where it keeps ours. */
export function ownPhase(phase: string): string | null {
  const own =
    wording.value.model !== 'prepare-present-practise' ||
    Object.keys(wording.value.phase_words).length > 0
  return own ? (wording.value.phases[phase] ?? null) : null
}
