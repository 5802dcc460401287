<script lang="ts">
export type Grouping = 'all' | 'halves' | 'circle' | 'partners' | 'groups' | 'single'
</script>

<script setup lang="ts">
// How the class stands, seen from above: a dot a child; arrows where it moves.
import { computed } from 'vue'
import { sayOf } from '@/locales/say'

const props = defineProps<{ formation: Grouping; moves: boolean }>()
const WIDE = 480
const TALL = 300
const CHILD = 11
interface Dot {
  x: number
  y: number
}
const turn = (n: number, of: number, radius: number, x = WIDE / 2, y = TALL / 2): Dot => {
  const angle = (2 * Math.PI * n) / of - Math.PI / 2
  return { x: x + radius * Math.cos(angle), y: y + radius * Math.sin(angle) }
}
const block = (x: number, y: number, columns: number, rows: number, step: number): Dot[] =>
  Array.from({ length: columns * rows }, (_, n) => ({
    x: x + (n % columns) * step,
    y: y + Math.floor(n / columns) * step,
  }))
// Free on the floor: as if dropped, never on one another.
const STREWN: Dot[] = [
  ...[40, 120, 215, 300, 395, 445].map((x, n) => ({ x, y: 45 + (n % 3) * 22 })),
  ...[70, 160, 250, 345, 425].map((x, n) => ({ x, y: 140 + (n % 2) * 30 })),
  ...[45, 130, 205, 290, 380, 440].map((x, n) => ({ x, y: 235 + (n % 3) * 18 })),
]
const DRAWN: Record<Grouping, () => Dot[]> = {
  all: () => (props.moves ? STREWN : block(65, 60, 8, 4, 50)),
  circle: () => Array.from({ length: 16 }, (_, n) => turn(n, 16, 120)),
  halves: () => [...block(40, 50, 3, 5, 48), ...block(345, 50, 3, 5, 48)],
  partners: () =>
    [0, 1, 2, 3, 4, 5].flatMap((n) => {
      const x = 75 + (n % 3) * 150
      const y = 90 + Math.floor(n / 3) * 125
      return [
        { x, y },
        { x: x + 44, y },
      ]
    }),
  groups: () =>
    [
      [105, 80],
      [375, 80],
      [105, 225],
      [375, 225],
    ].flatMap(([x, y]) => Array.from({ length: 5 }, (_, n) => turn(n, 5, 38, x, y))),
  single: () => [
    { x: WIDE / 2, y: 235 },
    ...Array.from({ length: 13 }, (_, n) => {
      const angle = Math.PI + (Math.PI * n) / 12
      return { x: WIDE / 2 + 190 * Math.cos(angle), y: 235 + 180 * Math.sin(angle) }
    }),
  ],
}
const dots = computed(() => DRAWN[props.formation]())
/** Round the ring, or freely. What halves, pairs and groups do is said by whoever teaches. */
const WAYS: Partial<Record<Grouping, readonly string[]>> = {
  all: [5, 8, 11, 2, 14].flatMap((n, place) => {
    const { x = 0, y = 0 } = STREWN[n] ?? {}
    const way = place % 2 ? -1 : 1
    return [`M ${x + way * 18} ${y} q ${way * 22} -26 ${way * 48} -8`]
  }),
  circle: ['M 395 90 A 165 165 0 0 1 395 210', 'M 85 210 A 165 165 0 0 1 85 90'],
}
const arrows = computed(() => (props.moves ? (WAYS[props.formation] ?? []) : []))
const says = computed(() => sayOf('wall-formation', props.formation))
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${WIDE} ${TALL}`" role="img" :aria-label="says">
      <defs>
        <marker
          id="ahead"
          viewBox="0 0 10 10"
          refX="7"
          refY="5"
          markerWidth="5"
          markerHeight="5"
          orient="auto"
        >
          <path d="M 0 0 L 10 5 L 0 10 z" />
        </marker>
      </defs>
      <path
        v-for="arrow in arrows"
        :key="arrow"
        :d="arrow"
        class="arrow"
        marker-end="url(#ahead)"
      />
      <circle v-for="(dot, index) in dots" :key="index" :cx="dot.x" :cy="dot.y" :r="CHILD" />
    </svg>
    <figcaption>{{ says }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  justify-items: center;
  gap: 2vh;
}
svg {
  height: 42vh;
  max-width: 80vw;
}
circle {
  fill: var(--granite);
}
.arrow {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3.5;
}
marker path {
  fill: var(--ink);
}
</style>
