<script setup lang="ts">
// A lesson's contour: width is minutes, height is energy, filled is new, hatched is left over, ticked is done.
import { computed, useId } from 'vue'
import { say, sayOf } from '@/locales/say'

export interface Block {
  title: string
  minutes: number
  energy: 'seated' | 'standing' | 'moving'
  new: boolean | string | null
  left_over: boolean
  tick?: string | null
}
const props = withDefaults(
  defineProps<{ blocks: readonly Block[]; height?: number; current?: number; named?: boolean }>(),
  { height: 44, current: -1, named: false },
)
const TALL = { seated: 0.42, standing: 0.7, moving: 1 }
const SIGNS: Record<string, string> = { done: '✓', partly: '–', skipped: '×' }
const hatch = useId()
const total = computed(() => props.blocks.reduce((sum, block) => sum + block.minutes, 0) || 1)
const drawn = computed(() => {
  let at = 0
  return props.blocks.map((block) => {
    const width = (block.minutes / total.value) * 1000
    const tall = TALL[block.energy] * 92
    const shape = { x: at + 2, y: 98 - tall, width: Math.max(width - 4, 4), height: tall, block }
    at += width
    return shape
  })
})
const spoken = computed(() =>
  props.blocks
    .map(
      (b) =>
        `${b.title}, ${b.minutes} ${say('teach-minutes')}, ${sayOf('lesson-energy', b.energy)}${b.new ? `, ${say('lesson-new')}` : ''}${b.left_over ? `, ${say('lesson-left-over')}` : ''}`,
    )
    .join('; '),
)
</script>

<template>
  <figure class="contour">
    <svg
      viewBox="0 0 1000 100"
      preserveAspectRatio="none"
      :height="height"
      width="100%"
      role="img"
      :aria-label="spoken"
    >
      <defs>
        <pattern
          :id="hatch"
          width="8"
          height="8"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="8" height="8" class="ground" />
          <rect width="3" height="8" class="stripe" />
        </pattern>
        <pattern
          :id="`${hatch}-new`"
          width="8"
          height="8"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="8" height="8" class="ground-new" />
          <rect width="2.5" height="8" class="stripe-new" />
        </pattern>
      </defs>
      <line x1="0" x2="1000" y1="99" y2="99" class="base" />
      <rect
        v-for="(shape, index) in drawn"
        :key="index"
        :x="shape.x"
        :y="shape.y"
        :width="shape.width"
        :height="shape.height"
        :class="['block', { new: !!shape.block.new, current: index === current }]"
        :fill="shape.block.left_over ? `url(#${hatch}${shape.block.new ? '-new' : ''})` : undefined"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    <div class="signs" aria-hidden="true">
      <span
        v-for="(shape, index) in drawn"
        :key="index"
        class="narrow"
        :style="{ width: `${(shape.block.minutes / total) * 100}%` }"
      >
        <template v-if="named">{{ shape.block.title }}</template><template v-else>{{
          SIGNS[shape.block.tick ?? ''] ?? ''
        }}</template>
      </span>
    </div>
  </figure>
</template>

<style scoped>
.contour {
  width: 100%;
}
.contour svg {
  display: block;
}
.base {
  stroke: var(--line);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.block {
  fill: var(--sheet);
  stroke: var(--granite);
  stroke-width: 1.5;
}
.block[fill] {
  fill: revert-layer;
}
.block.new {
  stroke: var(--aloe);
}
.block.new:not([fill]) {
  fill: var(--aloe);
}
.ground-new {
  fill: var(--aloe);
}
.stripe-new {
  fill: var(--sheet);
}
.block.current {
  stroke: var(--dusk);
  stroke-width: 4;
}
.ground {
  fill: var(--sheet);
}
.stripe {
  fill: var(--granite);
}
.signs {
  display: flex;
  min-height: 4px;
}
.signs span {
  font-size: 13px;
  line-height: 1.2;
  text-align: left;
  overflow: hidden;
  overflow-wrap: anywhere;
  hyphens: auto;
  padding: 2px 4px 0 2px;
  color: var(--granite);
}
</style>
