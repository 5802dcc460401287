// Hands for the seven tones, drawn by us from a palm, fingers and a thumb, as the singer's right hand seen from the front by others.
// Each is a list of paths in a box of 40 by 30; the player's own view is the mirror image.
export const HANDS: Record<string, readonly string[]> = {
  do: ['M10 8 h16 q6 0 6 6 v4 q0 6 -6 6 h-14 q-6 0 -6 -6 v-6 q0 -4 4 -4 z', 'M14 8 v16 M19 8 v16 M24 8 v16', 'M6 12 h-4'],
  re: ['M4 24 L30 6 q4 -2 5 1 q1 3 -2 5 L12 28 q-5 3 -8 0 z', 'M12 24 L33 10'],
  mi: ['M4 12 h28 q5 0 5 3 t-5 3 h-28 z', 'M10 15 h24'],
  fa: ['M8 6 h14 q6 0 6 5 v3 q0 4 -6 4 h-14 q-5 0 -5 -6 t5 -6 z', 'M10 18 q0 10 3 10 t3 -10 z', 'M13 6 v12 M18 6 v12 M23 6 v12'],
  so: ['M6 6 q0 -3 4 -3 h18 q6 0 6 6 v12 q0 6 -6 6 h-18 q-4 0 -4 -3 z', 'M12 9 h20 M12 15 h20 M12 21 h20'],
  la: ['M8 6 q10 -5 20 0 q4 2 4 6 v12 q0 3 -2 3 t-2 -3 v-6 h-3 v8 q0 3 -2 3 t-2 -3 v-8 h-3 v8 q0 3 -2 3 t-2 -3 v-8 q-8 0 -8 -6 q0 -4 2 -6 z'],
  ti: ['M8 14 h14 q6 0 6 5 t-6 6 h-12 q-6 0 -6 -6 q0 -5 4 -5 z', 'M20 15 L31 3 q2 -2 4 0 t0 4 L27 17 z', 'M12 14 v11 M17 14 v11'],
}
/** How high a tone is shown on the body, from the waist (0) to above the head (1). */
export const HEIGHTS: Record<string, number> = { do: 0, re: 0.14, mi: 0.28, fa: 0.42, so: 0.57, la: 0.72, ti: 0.86 }
const NATURAL: Record<string, string> = { di: 'do', ri: 're', fi: 'fa', si: 'so', li: 'la', ra: 're', me: 'mi', se: 'so', le: 'la', te: 'ti' }
export const natural = (syllable: string) => NATURAL[syllable] ?? syllable
