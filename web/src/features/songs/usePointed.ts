// The note pointed at, by a press or by walking with the arrows: it sounds, and every picture shows it. What plays goes before.
import { computed, ref, watch, type Ref } from 'vue'
import type { Schemas } from '@/api/client'
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import { pointed as pointedAt } from '@/locales/sayings'

export function usePointed(
  song: Ref<Schemas['SongRead'] | undefined>,
  playing: Ref<number | null>,
) {
  const pointed = ref<number | null>(null)
  const note = computed(() => playing.value ?? pointed.value)
  const at = (which: number | null) => song.value?.sounds.find((one) => one.note === which)
  const sound = computed(() => at(note.value))
  const says = computed(() => {
    const one = at(pointed.value)
    return one
      ? pointedAt(
          one.bar,
          one.degree ? degreeName(one.degree) : '',
          one.pitch ? pitchName(one.pitch) : '',
        )
      : ''
  })
  function point(which: number) {
    pointed.value = which
    const midi = at(which)?.midi
    if (midi) play([midi], 0.9)
  }
  const elsewhere = ref<{ part: number; which: number } | null>(null)
  /** A tone of a part that is not looked at yet: it sounds when that part has come. */
  function pointWhenIn(part: number, which: number) {
    elsewhere.value = { part, which }
  }
  function step(by: number) {
    const sounds = song.value?.sounds ?? []
    const here = sounds.findIndex((one) => one.note === pointed.value)
    const next = sounds[here < 0 ? (by > 0 ? 0 : sounds.length - 1) : here + by]
    if (next) point(next.note)
  }
  watch(
    () => song.value?.sounds,
    () => {
      pointed.value = null
      if (song.value?.part !== elsewhere.value?.part || !elsewhere.value) return
      point(elsewhere.value.which)
      elsewhere.value = null
    },
  )
  watch(playing, (now) => {
    if (now !== null) pointed.value = null
  })
  return { note, midi: computed(() => sound.value?.midi ?? null), says, point, pointWhenIn, step }
}
