// A song played with count-in: when each note sounds is worked out here, by plain tones; what sounds now is told while it does.
import { computed, onUnmounted, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { ready, silence, tones } from './useSound'

export interface Sounding {
  note: number | null // of the part that is looked at; null for the others
  silent?: boolean // pointed at, not heard
  onset: number
  length: number
  midi: number | null
  phrase: number
}
export interface Playable {
  sounds: readonly Sounding[]
  tempo: number | null
  beat: number
  beats: number
  pickup: number
  tonic?: readonly { midi: number }[]
}
/** The tonic pattern before a song, a tone a beat, and a beat to breathe. */
export const tonicBefore = (song: Playable, beatsAMinute: number): Planned[] =>
  (song.tonic ?? []).map((tone, n) => ({
    at: (n * 60) / beatsAMinute,
    seconds: (0.9 * 60) / beatsAMinute,
    midi: tone.midi,
    note: null,
  }))
export interface Planned {
  at: number
  seconds: number
  midi: number | null
  note: number | null
  silent?: boolean
}
const USUAL_TEMPO = 92
/** A click is no tone of the song: the count-in and rhythm alone are heard on it. */
export const CLICK = null

/** What sounds when, in seconds from now: one bar of clicks that leaves room for an upbeat, then the notes. */
export function planned(
  song: Playable,
  beatsAMinute: number,
  phrase: number | null,
  rhythmOnly: boolean,
): Planned[] {
  const beat = 60 / beatsAMinute
  const second = (quarters: number) => (quarters / song.beat) * beat
  const chosen = song.sounds.filter((one) => phrase === null || one.phrase === phrase)
  const from = chosen[0]?.onset ?? 0
  const lead =
    phrase === null && song.pickup ? song.beats * beat * 2 - second(song.pickup) : song.beats * beat
  const clicks = Array.from({ length: Math.ceil(lead / beat - 1e-9) }, (_, n) => ({
    at: n * beat,
    seconds: 0.06,
    midi: CLICK,
    note: null,
  }))
  const notes = chosen.map((one) => ({
    at: lead + second(one.onset - from),
    seconds: rhythmOnly ? 0.08 : second(one.length),
    midi: rhythmOnly ? CLICK : one.midi,
    note: one.note,
    ...(one.silent ? { silent: true } : {}),
  }))
  return [...clicks, ...notes]
}

export function usePlayback(of: MaybeRefOrGetter<Playable | undefined>) {
  const playing = ref(false)
  const now = ref<number | null>(null)
  const tempo = ref<number | null>(null)
  const phrase = ref<number | null>(null)
  const loop = ref(false)
  const rhythmOnly = ref(false)
  const tonicFirst = ref(false)
  const timers: number[] = []
  const song = computed(() => toValue(of))
  const beatsAMinute = computed(
    () => tempo.value ?? Math.round((song.value?.tempo ?? USUAL_TEMPO) / (song.value?.beat ?? 1)),
  )

  function stop() {
    timers.splice(0).forEach((timer) => window.clearTimeout(timer))
    silence()
    playing.value = false
    now.value = null
  }
  let asked = 0
  async function start(again = false) {
    stop()
    if (!song.value?.sounds.length) return
    playing.value = true
    const mine = (asked += 1)
    await ready()
    if (mine !== asked || !playing.value || !song.value) return // stopped, or asked again, meanwhile
    const before = tonicFirst.value && !again ? tonicBefore(song.value, beatsAMinute.value) : []
    const wait = before.length ? ((before.length + 1) * 60) / beatsAMinute.value : 0
    const plan = [
      ...before,
      ...planned(song.value, beatsAMinute.value, phrase.value, rhythmOnly.value).map((one) => ({
        ...one,
        at: one.at + wait,
      })),
    ]
    tones(plan.filter((one) => !one.silent))
    for (const one of plan)
      if (one.note !== null)
        timers.push(window.setTimeout(() => (now.value = one.note), 1000 * one.at))
    const end = Math.max(...plan.map((one) => one.at + one.seconds))
    timers.push(
      window.setTimeout(
        () => {
          if (loop.value) void start(true)
          else stop()
        },
        1000 * end + 150,
      ),
    )
  }
  /** Sounds something else once, without pointing at notes: for questions whose answer must not be seen. */
  async function sound(other: Playable) {
    stop()
    await ready()
    tones(planned(other, beatsAMinute.value, null, false))
  }
  onUnmounted(stop)
  return {
    playing,
    now,
    tempo,
    phrase,
    loop,
    rhythmOnly,
    tonicFirst,
    beatsAMinute,
    start,
    stop,
    sound,
    turn: () => {
      if (playing.value) stop()
      else void start()
    },
  }
}
