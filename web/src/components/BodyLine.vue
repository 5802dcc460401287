<script setup lang="ts">
// A line of tones between knees and head, as hands would show it: higher tones higher, longer ones longer.
import { computed } from 'vue'

const props = defineProps<{
  sounds: readonly { onset: number; length: number; midi: number | null }[]
  low: number
  high: number
  label: string
}>()
const WIDE = 130
const TALL = 46
const placed = computed(() => {
  const first = props.sounds[0]?.onset ?? 0
  const last = props.sounds.at(-1)
  const wide = WIDE / Math.max(last ? last.onset + last.length - first : 1, 1)
  const span = Math.max(props.high - props.low, 1)
  return props.sounds.flatMap((one) =>
    one.midi === null
      ? []
      : [
          {
            x: (one.onset - first) * wide,
            width: Math.max(one.length * wide - 2, 3),
            y: TALL - 6 - ((one.midi - props.low) / span) * (TALL - 10),
          },
        ],
  )
})
</script>

<template>
  <svg :width="WIDE" :height="TALL" :viewBox="`0 0 ${WIDE} ${TALL}`" role="img" :aria-label="label">
    <line v-for="n in 3" :key="n" x1="0" :x2="WIDE" :y1="n * 12 - 1" :y2="n * 12 - 1" />
    <rect
      v-for="(one, index) in placed"
      :key="index"
      :x="one.x"
      :y="one.y"
      :width="one.width"
      height="5"
    />
  </svg>
</template>

<style scoped>
line {
  stroke: var(--line);
  stroke-dasharray: 2 4;
}
rect {
  fill: var(--ink);
}
</style>
