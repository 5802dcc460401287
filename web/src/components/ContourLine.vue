<script setup lang="ts">
// The melody as a small line of steps.
import { computed } from 'vue'

const props = defineProps<{ pitches: readonly number[] }>()
const path = computed(() => {
  const low = Math.min(...props.pitches)
  const span = Math.max(...props.pitches) - low || 1
  const wide = 120 / Math.max(props.pitches.length, 1)
  return props.pitches
    .map(
      (pitch, index) =>
        `${index ? 'L' : 'M'}${(index * wide).toFixed(1)} ${(24 - ((pitch - low) / span) * 20).toFixed(1)} h${wide.toFixed(1)}`,
    )
    .join(' ')
})
</script>

<template>
  <svg width="96" height="26" viewBox="0 0 120 28" preserveAspectRatio="none" aria-hidden="true">
    <path :d="path" />
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--granite);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
</style>
