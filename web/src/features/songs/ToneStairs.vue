<script setup lang="ts">
// The tones of a song as stairs: a whole step is twice as high as a half step, a skip is a high stair.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { say } from '@/locales/say'

const props = defineProps<{
  sounds: readonly Schemas['SoundRead'][]
  toneSet: readonly string[]
  now: number | null
  chosen: string | null
}>()
const emit = defineEmits<{ choose: [degree: string] }>()
const STEP = 11
const tones = computed(() => {
  const midi = new Map(
    props.sounds.flatMap((one) =>
      one.degree && one.midi !== null ? [[one.degree, one.midi] as const] : [],
    ),
  )
  return props.toneSet.flatMap((degree) => {
    const at = midi.get(degree)
    return at === undefined ? [] : [{ degree, midi: at }]
  })
})
const low = computed(() => tones.value[0]?.midi ?? 60)
const tall = computed(() => 30 + ((tones.value.at(-1)?.midi ?? 60) - low.value) * STEP)
const wide = computed(() => Math.min(260 / Math.max(tones.value.length, 1), 52))
const top = (midi: number) => tall.value - 26 - (midi - low.value) * STEP
function choose(one: { degree: string; midi: number }) {
  play([one.midi], 0.9)
  emit('choose', one.degree)
}
</script>

<template>
  <svg
    class="stairs"
    :viewBox="`0 0 ${wide * tones.length} ${tall}`"
    :style="{ maxWidth: `${wide * tones.length}px` }"
    role="group"
    :aria-label="say('insight-stairs')"
  >
    <g
      v-for="(one, index) in tones"
      :key="one.degree"
      :class="{ now: one.midi === now, chosen: one.degree === chosen }"
      role="button"
      tabindex="0"
      :aria-label="degreeName(one.degree)"
      @click="choose(one)"
      @keydown.enter="choose(one)"
    >
      <rect
        :x="index * wide + 0.5"
        :y="top(one.midi) + 0.5"
        :width="wide - 1"
        :height="tall - top(one.midi) - 1"
      />
      <text :x="index * wide + wide / 2" :y="top(one.midi) + 18">{{ degreeName(one.degree) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.stairs {
  width: 100%;
  display: block;
  cursor: pointer;
}
rect {
  fill: var(--sheet);
  stroke: var(--granite);
}
text {
  font: 600 13px var(--narrow);
  text-anchor: middle;
  fill: var(--ink);
}
.chosen rect {
  fill: var(--dusk-wash);
  stroke: var(--dusk);
  stroke-width: 2;
}
.now rect {
  fill: var(--aloe);
}
.now text {
  fill: var(--sheet);
}
</style>
