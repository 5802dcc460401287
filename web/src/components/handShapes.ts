// Hands for the seven tones, drawn by us from a palm, fingers and a thumb, as the singer's right hand seen from the front by others.
// Each is a list of paths in a box of 40 by 30; the player's own view is the mirror image. The printer draws from the same table.
import shapes from '../../../src/kopje/engraving/hands.json'

export const HANDS: Record<string, readonly string[]> = shapes
/** How high a tone is shown on the body, from the waist (0) to above the head (1). */
export const HEIGHTS: Record<string, number> = {
  do: 0,
  re: 0.14,
  mi: 0.28,
  fa: 0.42,
  so: 0.57,
  la: 0.72,
  ti: 0.86,
}
const NATURAL: Record<string, string> = {
  di: 'do',
  ri: 're',
  fi: 'fa',
  si: 'so',
  li: 'la',
  ra: 're',
  me: 'mi',
  se: 'so',
  le: 'la',
  te: 'ti',
}
export const natural = (syllable: string) => NATURAL[syllable] ?? syllable
