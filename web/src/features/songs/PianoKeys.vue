<script setup lang="ts">
// The tones of a song on a keyboard: which keys it uses, by their degree; the one that sounds now is marked. Keys can be played.
import { computed } from 'vue'
import { degreeName } from '@/composables/useWording'
import { play } from '@/composables/useSound'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

interface Tone {
  midi: number | null
  pitch: string | null
  degree: string | null
}
const props = defineProps<{ tones: readonly Tone[]; now: number | null }>()
const BLACK = new Set([1, 3, 6, 8, 10])
const WHITE = 26
const used = computed(
  () =>
    new Map(props.tones.flatMap((one) => (one.midi === null ? [] : [[one.midi, one] as const]))),
)
const low = computed(() => {
  const lowest = Math.min(...used.value.keys(), 72)
  return (
    lowest - (BLACK.has(lowest % 12) ? 1 : 0) - (lowest % 12 === 0 || lowest % 12 === 5 ? 0 : 1)
  )
})
const high = computed(() => {
  const highest = Math.max(...used.value.keys(), 60)
  return highest + (BLACK.has((highest + 1) % 12) ? 2 : 1)
})
const keys = computed(() => {
  let x = 0
  const found = []
  for (let midi = low.value; midi <= high.value; midi += 1) {
    const black = BLACK.has(((midi % 12) + 12) % 12)
    if (black && !found.length) continue
    found.push({ midi, black, x: black ? x - 8 : x, tone: used.value.get(midi) })
    if (!black) x += WHITE
  }
  return found
})
const drawn = computed(() => [
  ...keys.value.filter((key) => !key.black),
  ...keys.value.filter((key) => key.black),
])
const LETTERS = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B']
/** What stands on the key, then which key it is. */
const named = (key: { midi: number; tone?: Tone }) =>
  key.tone
    ? `${degreeName(key.tone.degree ?? '', key.tone.pitch ?? undefined)}, ${pitchName(key.tone.pitch ?? '')}`
    : pitchName(`${LETTERS[key.midi % 12]}${Math.floor(key.midi / 12) - 1}`)
const width = computed(() => keys.value.filter((key) => !key.black).length * WHITE)
</script>

<template>
  <svg class="keys" :viewBox="`0 0 ${width} 96`" role="group" :aria-label="say('play-keyboard')">
    <g
      v-for="key in drawn"
      :key="key.midi"
      :class="['key', { black: key.black, used: key.tone, now: key.midi === now }]"
      role="button"
      :tabindex="key.tone ? 0 : -1"
      :aria-label="named(key)"
      @click="play([key.midi], 0.9)"
      @keydown.enter="play([key.midi], 0.9)"
    >
      <rect
        :x="key.x + 0.5"
        y="0.5"
        :width="key.black ? 16 : WHITE - 1"
        :height="key.black ? 58 : 95"
      />
      <template v-if="key.tone">
        <title>{{ pitchName(key.tone.pitch ?? '') }}</title>
        <text :x="key.x + (key.black ? 8 : WHITE / 2)" :y="key.black ? 50 : 86">
          {{ degreeName(key.tone.degree ?? '', key.tone.pitch ?? undefined) }}
        </text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
.keys {
  width: 100%;
  max-width: 260px;
  display: block;
  cursor: pointer;
}
/* A white key is white at night too: these colours do not follow the theme. */
.keys {
  --white-key: #f7f5ef;
  --black-key: #2a2521;
}
rect {
  fill: var(--white-key);
  stroke: #6b645a;
}
.black rect {
  fill: var(--black-key);
}
.used rect {
  fill: #dcd9ee;
  stroke: #4b4693;
  stroke-width: 1.5;
}
.black.used rect {
  fill: #4b4693;
}
.now rect,
.black.now rect {
  fill: #9a3412;
}
.now text,
.black text {
  fill: var(--white-key);
}
text {
  font: 600 11px var(--narrow);
  text-anchor: middle;
  fill: var(--black-key);
}
</style>
