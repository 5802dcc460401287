<script lang="ts">
/** A tone: its degree and what it is called, both empty as long as nobody may see that; semitones above do. */
export interface Rung {
  tone: string
  says: string
  height: number
  new: boolean
}
</script>

<script setup lang="ts">
// Tones as rungs of a ladder, as far apart as they sound, with the hand that shows each. The one that is learned stands out by its
// frame; as long as its name may not be seen, a question mark stands there.
import { computed } from 'vue'
import { say } from '@/locales/say'
import { HANDS, natural } from './handShapes'

const props = defineProps<{ rungs: readonly Rung[] }>()
const WIDE = 420
const TALL = 420
const EDGE = 44
const HAND = { wide: 40, tall: 30, scale: 1.7 }
const placed = computed(() => {
  const heights = props.rungs.map((one) => one.height)
  const top = Math.max(...heights)
  const span = Math.max(top - Math.min(...heights), 3)
  return props.rungs.map((one, index) => {
    const [syllable = ''] = /^[a-z]+/.exec(one.tone) ?? []
    return {
      ...one,
      y: EDGE + ((top - one.height) / span) * (TALL - 2 * EDGE),
      // Neighbours a half step apart would cover each other's hands.
      x: index % 2 ? 20 : 96,
      paths: syllable ? (HANDS[natural(syllable)] ?? []) : [],
    }
  })
})
const spoken = computed(() =>
  say('wall-ladder', { tones: props.rungs.map((one) => one.says || '?').join(', ') }),
)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDE} ${TALL}`" role="img" :aria-label="spoken" class="ladder">
    <line x1="190" x2="190" y1="0" :y2="TALL" class="rail" />
    <line x1="400" x2="400" y1="0" :y2="TALL" class="rail" />
    <g v-for="one in placed" :key="one.height" :class="{ new: one.new }">
      <rect v-if="one.new" x="196" :y="one.y - 26" width="198" height="52" rx="3" class="frame" />
      <line v-else x1="190" x2="400" :y1="one.y + 22" :y2="one.y + 22" class="rung" />
      <g
        :transform="`translate(${one.x} ${one.y - (HAND.tall * HAND.scale) / 2}) scale(${HAND.scale})`"
        class="hand"
      >
        <path v-for="path in one.paths" :key="path" :d="path" />
      </g>
      <text x="295" :y="one.y + 14">{{ one.says || '?' }}</text>
    </g>
  </svg>
</template>

<style scoped>
.ladder {
  height: 78vh;
  max-width: 50vw;
}
.rail {
  stroke: var(--granite);
  stroke-width: 5;
}
.rung {
  stroke: var(--line);
  stroke-width: 4;
}
.frame {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3.5;
  stroke-dasharray: 10 6;
}
.hand path {
  fill: none;
  stroke: var(--granite);
  stroke-width: 1.4;
}
.new .hand path {
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  text-anchor: middle;
  font: 400 44px var(--text, inherit);
  fill: var(--granite);
}
.new text {
  font-weight: 700;
  fill: var(--ink);
}
</style>
