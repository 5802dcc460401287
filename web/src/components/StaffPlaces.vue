<script setup lang="ts">
// A staff of one to five lines with notes at their places, do marked at its head. Place 1 is line 1, 2 space 1; 0 lies below line 1.
import { computed } from 'vue'

export interface Head {
  place: number
  says: string
}
const props = defineProps<{
  lines: number
  heads: readonly Head[]
  do?: number | null
  reveal?: readonly Head[]
  label: string
}>()
const GAP = 26 // between two lines
const LEFT = 20
const WIDE = 420
const top = computed(() => 2 * props.lines)
const all = computed(() => [...props.heads, ...(props.reveal ?? [])])
/** Room above and below for what lies outside of the lines. */
const above = computed(() => Math.max(top.value, ...all.value.map((one) => one.place)) - top.value)
const below = computed(() => Math.max(0, ...all.value.map((one) => -one.place)))
const y = (place: number) => ((top.value + above.value + 1 - place) * GAP) / 2 + 10
const high = computed(() => y(-below.value) + GAP + 16)
/** Lines in the air that a note outside of the staff needs. */
function ledgers(place: number): number[] {
  if (place > top.value) return steps(top.value + 1, place)
  if (place < 0) return steps(place % 2 === 0 ? place + 1 : place, -1)
  return []
}
const steps = (from: number, to: number) =>
  Array.from({ length: Math.floor((to - from) / 2) + 1 }, (_, n) => from + 2 * n)
const xOf = (n: number) => LEFT + 150 + n * 130
</script>

<template>
  <svg :viewBox="`0 0 ${WIDE} ${high}`" class="places" role="img" :aria-label="label">
    <line
      v-for="n in lines"
      :key="n"
      :x1="LEFT"
      :x2="WIDE - LEFT"
      :y1="y(2 * n - 1)"
      :y2="y(2 * n - 1)"
    />
    <g v-if="typeof props.do === 'number'" class="do">
      <rect :x="LEFT + 24" :y="y(props.do) - 9" width="18" height="18" />
      <text :x="LEFT + 50" :y="y(props.do) + 6">do</text>
    </g>
    <g v-for="(one, n) in all" :key="n" :class="{ revealed: n >= heads.length }">
      <line
        v-for="place in ledgers(one.place)"
        :key="place"
        :x1="xOf(n) - 24"
        :x2="xOf(n) + 24"
        :y1="y(place)"
        :y2="y(place)"
      />
      <ellipse :cx="xOf(n)" :cy="y(one.place)" rx="15" ry="11" />
      <text v-if="one.says" :x="xOf(n) + 24" :y="y(one.place) + 6">{{ one.says }}</text>
    </g>
  </svg>
</template>

<style scoped>
.places {
  width: 100%;
  height: 100%;
  max-height: 46vh;
}
line {
  stroke: var(--ink);
  stroke-width: 1.6;
}
ellipse {
  fill: var(--ink);
}
rect {
  fill: none;
  stroke: var(--dusk);
  stroke-width: 3;
}
text {
  font-size: 20px;
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 5px;
}
.do text,
.revealed text {
  fill: var(--dusk);
}
.revealed ellipse {
  fill: none;
  stroke: var(--dusk);
  stroke-width: 3;
}
</style>
