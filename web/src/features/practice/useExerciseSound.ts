// What sounds of an exercise: home, the line, some tones of it. Nothing sounds by itself.
import { computed } from 'vue'
import type { Exercise, Helped } from '@/api/practice'
import { play, tones } from '@/composables/useSound'

const TEMPO = 80
const BEAT = 60 / TEMPO

export function useExerciseSound(exercise: () => Exercise | null, part: () => number) {
  const sounds = computed(() => exercise()?.sounds[part()] ?? [])
  const midiOf = (degree: string) =>
    sounds.value.find((one) => one.degree === degree)?.midi ??
    [...(exercise()?.tonic ?? []), ...(exercise()?.scale ?? [])].find(
      (one) => one.degree === degree,
    )?.midi ??
    null
  function orient(by: string) {
    const pattern = by === 'scale' ? exercise()?.scale : exercise()?.tonic
    if (pattern?.length) play(pattern.map((one) => one.midi))
  }
  function line(from = 0, to = Infinity) {
    const chosen = sounds.value.filter((_, n) => n >= from && n <= to)
    const start = chosen[0]?.start ?? 0
    tones(
      chosen.map((one) => ({
        at: (one.start - start) * BEAT,
        seconds: one.beats * BEAT * 0.95,
        midi: one.midi,
      })),
    )
  }
  /** The first bars so many times, each time with its own length of silence after it. */
  function call(times: number, bars: number) {
    const now = exercise()
    if (!now) return
    const called = sounds.value.filter((one) => one.bar <= bars)
    const round = bars * Number(now.meter.split('/')[0]) * BEAT
    tones(
      Array.from({ length: times }).flatMap((_, n) =>
        called.map((one) => ({
          at: n * round * 2 + one.start * BEAT,
          seconds: one.beats * BEAT * 0.95,
          midi: one.midi,
        })),
      ),
    )
  }
  /** What a help after an error sounds as, at the note where it broke. */
  function help(one: Helped, note: number) {
    const index = sounds.value.findIndex((sound) => sound.note === note)
    const before = sounds.value[index - 1]?.midi
    if (one === 'hold' && typeof before === 'number') play([before], 2)
    if (one === 'model') line(Math.max(index - 1, 0), index)
  }
  /** The move that leads to a note. */
  function moveTo(note: number): [string, string] | null {
    const index = sounds.value.findIndex((one) => one.note === note)
    const [one, two] = [sounds.value[index - 1]?.degree, sounds.value[index]?.degree]
    return one && two ? [one, two] : null
  }
  return { sounds, midiOf, orient, line, call, help, moveTo }
}
