// The parts of a score as they are played: the part that is looked at, and those beside it that are not silent.
import type { Playable, Sounding } from './usePlayback'

interface Sounds {
  number: number
  sounds: readonly Sounding[]
}
/** One song to play: notes are pointed at in the part that is looked at; a phrase is that part's, and what the others sound in its time belongs to it. */
export function heardTogether<S extends Playable & { part: number; parts: readonly Sounds[] }>(
  song: S,
  silent: readonly number[],
): S {
  if (!song.parts.length) return song
  const starts = song.sounds
    .filter((one, index) => index === 0 || one.phrase !== song.sounds[index - 1]?.phrase)
    .map((one) => ({ phrase: one.phrase, onset: one.onset }))
  const phraseAt = (onset: number) =>
    starts.filter((one) => one.onset <= onset).at(-1)?.phrase ?? starts[0]?.phrase ?? 0
  const others = song.parts
    .filter((one) => one.number !== song.part && !silent.includes(one.number))
    .flatMap((one) =>
      one.sounds.map((sound) => ({ ...sound, note: null, phrase: phraseAt(sound.onset) })),
    )
  const own = silent.includes(song.part)
    ? song.sounds.map((one) => ({ ...one, silent: true }))
    : song.sounds
  return { ...song, sounds: [...own, ...others].sort((a, b) => a.onset - b.onset) }
}
