/** A written tone as it is read: “F♯ 4”. */
export const shown = (tone: string): string =>
  tone.replace('#', '♯').replace('b', '♭').replace(/(\d)$/, ' $1')
