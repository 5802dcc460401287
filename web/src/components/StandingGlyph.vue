<script setup lang="ts">
// Strata in a stone: the same glyph from the grid to the print. Shape tells it, colour only helps.
import { computed } from 'vue'
import { standingName } from '@/locales/names'
import { say } from '@/locales/say'

const props = withDefaults(
  defineProps<{
    level: string
    due?: boolean
    partly?: boolean
    said?: boolean
    size?: number
    plain?: boolean
  }>(),
  { due: false, partly: false, said: false, size: 20, plain: false },
)
const STONE = 'M4 21.5 L1.8 14.5 L5.5 7 L12.5 2.6 L20 6.2 L22.4 14.8 L19.6 21.5 Z'
const name = computed(() => {
  const standing = standingName(props.level, props.due, props.partly)
  return props.said ? say('word-said', { standing }) : standing
})
</script>

<template>
  <svg
    :width="size"
    :height="size"
    viewBox="0 0 24 24"
    :class="['stone', level]"
    :role="plain ? undefined : 'img'"
    :aria-hidden="plain || undefined"
    :aria-label="plain ? undefined : name"
  >
    <path v-if="level === 'secure' || level === 'once'" :d="STONE" class="fill" />
    <circle v-if="level === 'once'" cx="12.2" cy="14.2" r="4.6" class="hollow" />
    <template v-if="level === 'nearly'">
      <path d="M2.6 17 L4 21.5 L19.6 21.5 L21.4 17 Z" class="fill" />
      <path d="M2.1 14.8 L4.1 10 L21.1 10 L22.3 14.8 Z" class="fill" />
    </template>
    <path v-else-if="level === 'not_yet'" d="M2.6 17 L4 21.5 L19.6 21.5 L21.4 17 Z" class="fill" />
    <path :d="STONE" class="edge" />
    <path v-if="due" d="M9 0 L16 0 L12.5 10 Z" class="notch" />
    <path v-if="said" d="M15.5 18.5 L18.5 22 L24 14.5" class="said" />
    <circle v-if="partly" cx="12.4" cy="13.4" r="2.6" class="part" />
  </svg>
</template>

<style scoped>
.said {
  fill: none;
  stroke: var(--dusk);
  stroke-width: 2.4;
}
.edge {
  fill: none;
  stroke: var(--granite);
  stroke-width: 1.3;
  stroke-linejoin: round;
}
.fill {
  fill: var(--granite);
}
.secure .fill,
.once .fill {
  fill: var(--lichen);
}
.secure .edge,
.once .edge {
  stroke: var(--lichen);
}
.hollow {
  fill: var(--sheet);
  stroke: var(--lichen);
  stroke-width: 1.1;
}
.nearly .fill {
  fill: var(--grass);
}
.nearly .edge {
  stroke: var(--grass);
}
.not_yet .fill {
  fill: var(--granite);
}
.not_heard .edge {
  stroke-dasharray: 2 2;
  opacity: 0.7;
}
.notch {
  fill: var(--sheet);
  stroke: var(--lichen);
  stroke-width: 1.3;
}
.part {
  fill: none;
  stroke: var(--granite);
  stroke-width: 1.6;
}
</style>
