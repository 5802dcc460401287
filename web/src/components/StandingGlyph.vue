<script setup lang="ts">
// Strata in a stone: the same glyph from the grid to the print. Shape tells it, colour only helps.
import { computed } from 'vue'
import { say } from '@/locales/en'

const props = withDefaults(defineProps<{ level: string; flag?: string; size?: number; plain?: boolean }>(), { flag: '', size: 20, plain: false })
const STONE = 'M4 21.5 L1.8 14.5 L5.5 7 L12.5 2.6 L20 6.2 L22.4 14.8 L19.6 21.5 Z'
const name = computed(() => {
  const known = say.standing as Record<string, string>
  return known[props.flag] ?? known[props.level] ?? ''
})
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 24 24" :class="['stone', level]" :role="plain ? undefined : 'img'" :aria-hidden="plain || undefined" :aria-label="plain ? undefined : name">
    <path v-if="level === 'secure'" :d="STONE" class="fill" />
    <template v-else-if="level === 'nearly'">
      <path d="M2.6 17 L4 21.5 L19.6 21.5 L21.4 17 Z" class="fill" />
      <path d="M2.1 14.8 L4.1 10 L21.1 10 L22.3 14.8 Z" class="fill" />
    </template>
    <path v-else-if="level === 'not_yet'" d="M2.6 17 L4 21.5 L19.6 21.5 L21.4 17 Z" class="fill" />
    <path :d="STONE" class="edge" />
    <path v-if="flag === 'due'" d="M9 0 L16 0 L12.5 10 Z" class="notch" />
    <circle v-if="flag === 'partly'" cx="12.4" cy="13.4" r="2.6" class="part" />
    <circle v-if="flag === 'once'" cx="12.4" cy="6.3" r="1.7" class="dot" />
  </svg>
</template>

<style scoped>
.edge { fill: none; stroke: var(--granite); stroke-width: 1.3; stroke-linejoin: round; }
.fill { fill: var(--granite); }
.secure .fill { fill: var(--lichen); }
.secure .edge { stroke: var(--lichen); }
.nearly .fill { fill: var(--grass); }
.nearly .edge { stroke: var(--grass); }
.not_yet .fill { fill: var(--granite); }
.not_heard .edge { stroke-dasharray: 2 2; opacity: 0.7; }
.notch { fill: var(--sheet); stroke: var(--lichen); stroke-width: 1.3; }
.dot { fill: var(--grass); }
.part { fill: none; stroke: var(--granite); stroke-width: 1.6; }
</style>
