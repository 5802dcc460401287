<script setup lang="ts">
// The tones of a song as hand signs at their body heights, as the singer sees the own hand or as a mirror. One press sounds a tone.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { HANDS, HEIGHTS, natural } from '@/components/handShapes'
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { say } from '@/locales/say'

const props = defineProps<{
  sounds: readonly Schemas['SoundRead'][]
  toneSet: readonly string[]
  now: number | null
}>()
const mirrored = ref(true)
const TALL = 230
const tones = computed(() => {
  const midi = new Map(
    props.sounds.flatMap((one) =>
      one.degree && one.midi !== null ? [[one.degree, one.midi] as const] : [],
    ),
  )
  return props.toneSet.map((degree, index) => {
    const [, syllable = 'do', marks = ''] = /^([a-z]+)[#b]*([,']*)$/.exec(degree) ?? []
    const octave = marks.startsWith("'") ? marks.length : -marks.length
    const height = (HEIGHTS[natural(syllable)] ?? 0) * 0.72 + octave * 0.72
    return {
      degree,
      midi: midi.get(degree) ?? null,
      paths: HANDS[natural(syllable)] ?? [],
      index,
      height,
    }
  })
})
const lowest = computed(() => Math.min(...tones.value.map((one) => one.height), 0))
const highest = computed(() => Math.max(...tones.value.map((one) => one.height), 0.72))
const y = (height: number) =>
  14 + (1 - (height - lowest.value) / (highest.value - lowest.value || 1)) * (TALL - 60)
const wide = computed(() => Math.max(tones.value.length * 34 + 30, 150))
</script>

<template>
  <figure class="stack">
    <svg :viewBox="`0 0 ${wide} ${TALL}`" role="group" :aria-label="say('insight-hands')">
      <g class="body">
        <line
          v-for="[height, name] in [
            [0, 'waist'],
            [0.34, 'chest'],
            [0.72, 'eyes'],
          ] as const"
          :key="name"
          x1="0"
          :x2="wide"
          :y1="y(height) + 18"
          :y2="y(height) + 18"
        />
      </g>
      <g
        v-for="one in tones"
        :key="one.degree"
        :class="['hand', { now: one.midi !== null && one.midi === now }]"
        :transform="`translate(${one.index * 34 + 4} ${y(one.height)})`"
        role="button"
        tabindex="0"
        :aria-label="degreeName(one.degree)"
        @click="one.midi && play([one.midi], 0.9)"
        @keydown.enter="one.midi && play([one.midi], 0.9)"
      >
        <rect class="touch" width="34" height="46" />
        <g :transform="mirrored ? 'scale(0.8)' : 'translate(32 0) scale(-0.8 0.8)'">
          <path v-for="path in one.paths" :key="path" :d="path" />
        </g>
        <text x="16" y="40">{{ degreeName(one.degree) }}</text>
      </g>
    </svg>
    <v-checkbox
      v-model="mirrored"
      :label="mirrored ? say('insight-mirrored') : say('insight-own-view')"
    />
    <p class="small quiet">{{ say('insight-levels') }}</p>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 300px;
  display: block;
}
.body line {
  stroke: var(--line);
  stroke-dasharray: 2 4;
}
.hand {
  cursor: pointer;
}
.touch {
  fill: transparent;
}
path {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.now path {
  fill: var(--aloe);
}
text {
  font: 600 13px var(--narrow);
  text-anchor: middle;
  fill: var(--ink);
}
</style>
