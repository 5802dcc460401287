<script setup lang="ts">
// A rhythm as a row of boxes, one a beat; a stroke where something sounds, longer tones drawn on through the boxes they last.
import { computed } from 'vue'
import type { Exercise } from '@/api/practice'

const props = defineProps<{ exercise: Exercise; label: string }>()
const BOX = 74
const HIGH = 64
const beats = computed(() => Number(props.exercise.meter.split('/')[0]))
const rows = computed(() => {
  const perRow = Math.max(1, Math.floor(8 / beats.value)) * beats.value
  const all = props.exercise.bars * beats.value
  return Array.from({ length: Math.ceil(all / perRow) }, (_, n) => ({
    from: n * perRow,
    to: Math.min(all, (n + 1) * perRow),
  }))
})
const sounds = computed(() => props.exercise.sounds[0] ?? [])
const inside = (from: number, to: number) =>
  sounds.value
    .filter((one) => one.start < to && one.start + one.beats > from)
    .map((one) => ({
      x: (Math.max(one.start, from) - from) * BOX,
      width: (Math.min(one.start + one.beats, to) - Math.max(one.start, from)) * BOX,
      goes: one.start < from,
    }))
</script>

<template>
  <div class="boxes" role="img" :aria-label="label">
    <svg
      v-for="row in rows"
      :key="row.from"
      :viewBox="`-4 -4 ${(row.to - row.from) * BOX + 8} ${HIGH + 8}`"
    >
      <rect
        v-for="n in row.to - row.from"
        :key="n"
        :x="(n - 1) * BOX"
        y="0"
        :width="BOX"
        :height="HIGH"
        class="box"
      />
      <line
        v-for="n in Math.ceil((row.to - row.from) / beats) + 1"
        :key="`bar${n}`"
        :x1="(n - 1) * beats * BOX"
        :x2="(n - 1) * beats * BOX"
        y1="-3"
        :y2="HIGH + 3"
        class="bar"
      />
      <rect
        v-for="(one, n) in inside(row.from, row.to)"
        :key="`sound${n}`"
        :x="one.x + (one.goes ? 0 : 5)"
        :y="HIGH / 2 - 9"
        :width="Math.max(one.width - (one.goes ? 5 : 10), 6)"
        height="18"
        rx="9"
        class="sound"
      />
    </svg>
  </div>
</template>

<style scoped>
.boxes {
  display: grid;
  gap: 8px;
  padding: 12px 0;
}
svg {
  width: 100%;
  max-height: 110px;
}
.box {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.5;
}
.bar {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.sound {
  fill: var(--ink);
}
</style>
