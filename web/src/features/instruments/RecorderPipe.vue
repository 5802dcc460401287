<script setup lang="ts">
// A pipe with the fingering of one tone: front holes from the mouthpiece down, the thumb's at the back, drawn beside it. As the
// player sees it, or as in a mirror. Numbers are those of holes.
import { computed } from 'vue'
import { say } from '@/locales/say'

const props = defineProps<{ tone: string; fingering: string; mirror: boolean; label: string }>()
const HOLES = [1, 2, 3, 4, 5, 6, 7] as const
const closed = computed(() => new Set([...props.fingering].filter((one) => /\d/.test(one))))
const thumb = computed<'closed' | 'half' | 'open'>(() =>
  props.fingering.startsWith('T') ? 'closed' : props.fingering.startsWith('/') ? 'half' : 'open',
)
const y = (hole: number) => 34 + hole * 21 + (hole > 3 ? 14 : 0)
// For the player the thumb lies behind, to the left of what the left hand covers; a mirror turns it round.
const side = computed(() => (props.mirror ? 74 : 14))
const spoken = computed(() => {
  const front = HOLES.filter((n) => closed.value.has(String(n))).join(', ')
  return say('pipe-said', { thumb: thumb.value, holes: front || '–' })
})
</script>

<template>
  <svg class="pipe" viewBox="-14 0 116 226" role="img" :aria-label="`${label}: ${spoken}`">
    <path class="wood" d="M34 4 h20 l2 22 h-24 z" />
    <rect class="wood" x="31" y="26" width="26" height="176" rx="6" />
    <path class="wood" d="M30 200 h28 l3 22 h-34 z" />
    <rect class="window" x="39" y="14" width="10" height="6" />
    <g v-for="n in HOLES" :key="n">
      <circle :class="['hole', { closed: closed.has(String(n)) }]" cx="44" :cy="y(n)" r="7.5" />
      <text :x="mirror ? 20 : 68" :y="y(n) + 4" class="number">{{ n }}</text>
    </g>
    <circle :class="['hole thumb', thumb]" :cx="side" :cy="y(1)" r="7.5" />
    <path
      v-if="thumb === 'half'"
      class="half"
      :d="`M${side - 7.5} ${y(1)} a7.5 7.5 0 0 0 15 0 z`"
    />
    <text :x="side" :y="y(1) - 12" class="number thumb-name">{{ say('pipe-thumb') }}</text>
  </svg>
</template>

<style scoped>
.pipe {
  width: 174px;
  height: 339px;
  flex: none;
}
.wood {
  fill: var(--grass-wash);
  stroke: var(--granite);
  stroke-width: 1.5;
}
.window {
  fill: var(--ink);
}
.hole {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.hole.closed,
.half {
  fill: var(--ink);
}
.number {
  font-size: 11px;
  fill: var(--granite);
  text-anchor: middle;
}
</style>
