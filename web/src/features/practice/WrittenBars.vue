<script setup lang="ts">
// What is written so far, bar by bar: strokes in beat boxes, or tones at their height over the beats they last. Once it is checked,
// each place has its sign.
import { computed } from 'vue'
import type { Checked, Dictation } from '@/api/lines'
import { say } from '@/locales/say'
import type { Room } from './writing'

const props = defineProps<{
  task: Dictation
  bars: readonly string[][]
  place: Room | null
  found: Checked | null
}>()
const BOX = 64
const HIGH = 96
const STROKE = 16
const choice = (value: string) => props.task.choices.find((one) => one.value === value)
const heights = computed(() => props.task.choices.flatMap((one) => one.height ?? []))
function heightOf(value: string): number {
  const [low, high] = [Math.min(...heights.value), Math.max(...heights.value)]
  return HIGH - 14 - (((choice(value)?.height ?? low) - low) / (high - low || 1)) * (HIGH - 36)
}
interface Mark {
  x: number
  width: number
  y: number
  says: string
  silent: boolean
  empty: boolean
}
function tonesOf(n: number): Mark[] {
  const bar = props.task.bars[n]
  return (bar?.starts ?? []).map((start, k) => {
    const value = props.bars[n]?.[k]
    return {
      ...{ x: start * BOX, width: (bar?.beats[k] ?? 1) * BOX, silent: false },
      ...{ y: value ? heightOf(value) : HIGH - 14, empty: !value },
      says: value ? (choice(value)?.says ?? value) : '',
    }
  })
}
function strokesOf(n: number): Mark[] {
  let at = 0
  return (props.bars[n] ?? []).flatMap((value) => {
    const one = choice(value)
    return (one?.lengths ?? []).map((length, k) => {
      const mark = {
        ...{ x: at * BOX, width: length * BOX, y: HIGH / 2, empty: false },
        ...{ says: '', silent: one?.rests[k] ?? false },
      }
      at += length
      return mark
    })
  })
}
const drawn = computed(() =>
  props.task.bars.map((_, n) => {
    const marks = props.task.pitched ? tonesOf(n) : strokesOf(n)
    return { marks, right: props.found?.bars[n] ?? [] }
  }),
)
const signAt = (n: number, k: number) =>
  props.task.pitched ? (props.task.bars[n]?.starts[k] ?? 0) * BOX + 4 : k * BOX + 4
</script>

<template>
  <ol class="bars">
    <li
      v-for="(bar, n) in drawn"
      :key="n"
      :class="{ now: n === place?.bar }"
      :style="{ flexBasis: `${task.beats * 92}px` }"
    >
      <svg
        :viewBox="`-3 -3 ${task.beats * BOX + 6} ${HIGH + (found ? 26 : 6)}`"
        role="img"
        :aria-label="
          say('write-bar', {
            n: n + 1,
            what: (bars[n] ?? []).map((one) => choice(one)?.says ?? one).join(' ') || '–',
          })
        "
      >
        <rect
          v-for="k in task.beats"
          :key="k"
          :x="(k - 1) * BOX"
          y="0"
          :width="BOX"
          :height="HIGH"
          class="box"
        />
        <g v-for="(mark, k) in bar.marks" :key="`mark${k}`">
          <rect
            :x="mark.x + 4"
            :y="mark.y - STROKE / 2"
            :width="Math.max(mark.width - 8, 4)"
            :height="STROKE"
            :rx="STROKE / 2"
            :class="['mark', { open: mark.empty || mark.silent }]"
          />
          <text v-if="mark.says" :x="mark.x + mark.width / 2" :y="mark.y - 12">
            {{ mark.says }}
          </text>
        </g>
        <text
          v-for="(right, k) in bar.right"
          :key="`right${k}`"
          :x="signAt(n, k)"
          :y="HIGH + 18"
          class="sign"
        >
          {{ right ? '✓' : '✗' }}
        </text>
      </svg>
    </li>
  </ol>
</template>

<style scoped>
.bars {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  flex: 0 1 auto;
  border-bottom: 3px solid transparent;
}
.now {
  border-bottom-color: var(--ink);
}
svg {
  display: block;
  width: 100%;
}
.box {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.5;
}
.mark {
  fill: var(--ink);
}
.open {
  fill: none;
  stroke: var(--granite);
  stroke-dasharray: 4 3;
}
text {
  font-size: 15px;
  text-anchor: middle;
  fill: var(--ink);
}
.sign {
  text-anchor: start;
  font-weight: 650;
}
</style>
