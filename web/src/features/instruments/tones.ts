import { pitchName } from '@/composables/words'

/** A written tone as it is read: “F♯ 4”. */
export const shown = (tone: string): string => pitchName(tone).replace(/(\d)$/, ' $1')
