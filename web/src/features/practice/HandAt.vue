<script setup lang="ts">
// One hand at its height among the tones of its line; nothing says its name.
import { computed } from 'vue'
import { HANDS, HEIGHTS, natural } from '@/components/handShapes'
import { say } from '@/locales/say'

const props = defineProps<{ degree: string; among: readonly string[] }>()
function height(degree: string): number {
  const [, syllable = 'do', marks = ''] = /^([a-z]+)[#b]*([,']*)$/.exec(degree) ?? []
  const octave = marks.startsWith("'") ? marks.length : -marks.length
  return (HEIGHTS[natural(syllable)] ?? 0) + octave
}
const hand = computed(() => {
  if (!props.degree) return null
  const every = props.among.map(height)
  const [low, high] = [Math.min(...every), Math.max(...every)]
  const syllable = /^[a-z]+/.exec(props.degree)?.[0] ?? 'do'
  return {
    paths: HANDS[natural(syllable)] ?? [],
    y: 150 - ((height(props.degree) - low) / (high - low || 1)) * 125,
  }
})
</script>

<template>
  <svg viewBox="0 0 120 190" role="img" :aria-label="say('practice-sign-now')">
    <line x1="6" x2="114" y1="182" y2="182" class="floor" />
    <g v-if="hand" :transform="`translate(34 ${hand.y - 16}) scale(1.35)`" class="hand">
      <path v-for="(path, n) in hand.paths" :key="n" :d="path" />
    </g>
  </svg>
</template>

<style scoped>
.hand path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.floor {
  stroke: var(--line);
}
</style>
