<script setup lang="ts">
// The ridge: time runs left to right over real lessons; bars are arcs, texture is the phase, cuts are holidays and concerts.
import { computed, onMounted, onUnmounted, ref, useId } from 'vue'
import type { Schemas } from '@/api/client'
import { monthName, shortDay } from '@/composables/words'
import { phaseName } from '@/locales/names'
import { say } from '@/locales/say'
import { bandsOf, type Run, type ArcBar } from './bands'

const props = withDefaults(
  defineProps<{ year: Schemas['YearRead']; picked?: string; compact?: boolean }>(),
  { picked: '', compact: false },
)
const emit = defineEmits<{ pick: [concept: string] }>()
const id = useId()
// Drawn in the pixels that are there, so that letters keep their size whatever the width.
const width = ref(1000)
const frame = ref<SVGSVGElement>()
const measure = new ResizeObserver(
  ([entry]) => (width.value = Math.max(Math.round(entry?.contentRect.width ?? 1000), 480)),
)
onMounted(() => frame.value && measure.observe(frame.value))
onUnmounted(() => measure.disconnect())
const TOP = 34
const THIN = 9
const LETTER = 6.2 // pixels
const count = computed(() => Math.max(props.year.lessons.length, 1))
const step = computed(() => width.value / count.value)
const x = (lesson: number) => (lesson - 1) * step.value
const letters = (name: string) =>
  props.compact ? 0 : Math.ceil((name.length * LETTER + 8) / step.value)
const bands = computed(() => bandsOf(props.year, letters))
const rowHeight = computed(() => (props.compact ? 22 : 40))
const heightOf = (line: string) =>
  line === 'other' ? Math.round(rowHeight.value * 0.7) : rowHeight.value
const placed = computed(() => {
  let y = TOP
  return bands.value.map((band) => {
    const top = y
    const height = heightOf(band.line)
    const floor = top + band.rows * height + (band.warm ? THIN : 0)
    y = floor + 12
    return {
      ...band,
      top,
      height,
      floor,
      main: band.arcBars.filter((one) => !one.review),
      review: band.arcBars.filter((one) => one.review),
    }
  })
})
const total = computed(() => (placed.value.at(-1)?.floor ?? 0) + 26)
const TALL: Record<string, number> = {
  prepare: 0.5,
  present: 1,
  practise: 0.78,
  warm: 0.45,
  assess: 0.62,
}
const shape = (run: Run, height: number) => {
  const tall = (TALL[run.phase] ?? 0.5) * (height - 6)
  return {
    x: x(run.from) + 0.5,
    y: height - tall,
    width: (run.to - run.from + 1) * step.value - 1,
    height: tall,
  }
}
const fill = (run: Run) =>
  run.taught || run.phase === 'present' ? undefined : `url(#${id}-${run.phase})`
const turns = computed(() =>
  props.year.lessons.flatMap((day, index) =>
    index && day.slice(0, 7) === props.year.lessons[index - 1]?.slice(0, 7)
      ? []
      : [{ at: index + 1, says: monthName(day) }],
  ),
)
const months = computed(() =>
  turns.value.filter((one, index, all) => !index || x(one.at) - x(all[index - 1]?.at ?? 1) > 26),
)
const spoken = (one: ArcBar) => {
  const runs = one.runs.map(
    (run) =>
      `${phaseName(run.phase)} ${run.taught ? say('year-was') : ''} ${shortDay(props.year.lessons[run.from - 1] ?? '')}`,
  )
  return `${one.concept.name}: ${runs.join(', ')}`
}
const here = computed(() => Math.min(props.year.next_lesson, count.value + 1))
</script>

<template>
  <svg
    ref="frame"
    :viewBox="`0 0 ${width} ${total}`"
    :class="['ridge', { compact }]"
    :role="compact ? 'img' : 'group'"
    :aria-label="`${say('year-ridge')} ${year.section.name}`"
  >
    <defs>
      <pattern :id="`${id}-prepare`" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" class="ground" />
        <circle cx="2" cy="2" r="1" class="ink" />
        <circle cx="5" cy="5" r="1" class="ink" />
      </pattern>
      <pattern :id="`${id}-practise`" width="5" height="5" patternUnits="userSpaceOnUse">
        <rect width="5" height="5" class="ground" />
        <rect width="5" height="1.6" y="1.5" class="ink" />
      </pattern>
      <pattern :id="`${id}-warm`" width="7" height="7" patternUnits="userSpaceOnUse">
        <rect width="7" height="7" class="ground" />
        <rect width="7" height="1" y="3" class="ink" />
      </pattern>
      <pattern
        :id="`${id}-assess`"
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="5" height="5" class="ground" />
        <rect width="1.6" height="5" class="ink" />
      </pattern>
    </defs>
    <rect x="0" :y="TOP - 6" :width="x(here)" :height="total - TOP - 12" class="past" />
    <g v-for="cut in year.cuts" :key="cut.kind + cut.before" :class="['cut', cut.kind]">
      <line
        :x1="x(cut.before)"
        :x2="x(cut.before)"
        :y1="cut.kind === 'concert' ? 14 : TOP - 8"
        :y2="total - 20"
      />
      <text
        v-if="!compact || cut.kind === 'concert'"
        :x="x(cut.before) + (x(cut.before) > width - 120 ? -4 : 4)"
        :y="cut.kind === 'concert' ? 12 : 26"
        :text-anchor="x(cut.before) > width - 120 ? 'end' : 'start'"
      >
        {{ cut.name }}
      </text>
      <path v-if="cut.kind === 'concert'" :d="`M${x(cut.before)} 14 l9 4 l-9 4 Z`" />
    </g>
    <g v-for="band in placed" :key="band.line">
      <line x1="0" :x2="width" :y1="band.floor + 0.5" :y2="band.floor + 0.5" class="floor" />
      <g v-for="one in band.review" :key="one.concept.key">
        <rect
          v-for="run in one.runs"
          :key="run.from"
          :x="x(run.from) + 0.5"
          :y="band.floor - THIN + 3"
          :width="(run.to - run.from + 1) * step - 1"
          :height="THIN - 4"
          class="run taught practise"
        >
          <title>{{ spoken(one) }}</title>
        </rect>
      </g>
      <g
        v-for="one in band.main"
        :key="one.concept.key"
        :transform="`translate(0 ${band.top + one.row * band.height})`"
        :class="['arc', { on: one.concept.key === picked }]"
        v-bind="
          compact
            ? {}
            : {
                role: 'button',
                tabindex: 0,
                'aria-label': spoken(one),
                'aria-pressed': one.concept.key === picked,
              }
        "
        @click="emit('pick', one.concept.key)"
        @keydown.enter.prevent="emit('pick', one.concept.key)"
        @keydown.space.prevent="emit('pick', one.concept.key)"
      >
        <rect
          :x="x(one.first)"
          y="0"
          :width="(one.last - one.first + 1) * step"
          :height="band.height"
          class="hit"
        />
        <rect
          v-for="run in one.runs"
          :key="`${run.taught}${run.from}${run.phase}`"
          v-bind="shape(run, band.height)"
          :fill="fill(run)"
          :class="['run', run.phase, { taught: run.taught }]"
        />
        <text
          v-if="!compact"
          :x="Math.min(x(one.first) + 3, width - 4 - one.concept.name.length * LETTER)"
          y="10"
          class="name"
        >
          {{ one.concept.name }}
        </text>
      </g>
    </g>
    <g class="here" :transform="`translate(${x(here)} 0)`">
      <line x1="0" x2="0" :y1="TOP - 8" :y2="total - 18" />
      <path :d="`M-6 ${total - 8} L0 ${total - 20} L6 ${total - 8} Z`" />
      <circle cx="0" :cy="total - 22" r="3" />
    </g>
    <text v-for="month in months" :key="month.at" :x="x(month.at) + 2" :y="total - 4" class="month">
      {{ month.says }}
    </text>
  </svg>
</template>

<style scoped>
.ridge {
  width: 100%;
  height: auto;
  display: block;
  font: 600 12px var(--narrow);
}
.past {
  fill: color-mix(in srgb, var(--wash) 60%, transparent);
}
.ground {
  fill: var(--sheet);
}
.ink {
  fill: var(--granite);
}
.floor {
  stroke: var(--line);
}
.run {
  stroke: var(--granite);
  stroke-width: 0.8;
}
.run.taught {
  fill: var(--granite);
  stroke: var(--granite);
}
.run.taught.prepare {
  fill: color-mix(in srgb, var(--granite) 45%, var(--sheet));
}
.run.taught.practise {
  fill: color-mix(in srgb, var(--granite) 75%, var(--sheet));
}
.run.present:not(.taught) {
  fill: var(--aloe);
  stroke: var(--aloe);
}
.run.present.taught {
  fill: var(--ink);
  stroke: var(--ink);
}
.name {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3px;
  stroke-linejoin: round;
}
.arc {
  cursor: pointer;
}
.hit {
  fill: transparent;
}
.arc:hover .hit {
  fill: var(--dusk-wash);
}
.arc.on .hit {
  fill: var(--dusk-wash);
  stroke: var(--dusk);
  stroke-width: 1.5;
}
.arc:focus-visible {
  outline: none;
}
.arc:focus-visible .hit {
  stroke: var(--dusk);
  stroke-width: 2;
}
.cut line {
  stroke: var(--granite);
  stroke-dasharray: 3 3;
}
.cut.concert line {
  stroke: var(--dusk);
  stroke-dasharray: none;
  stroke-width: 1.5;
}
.cut.concert path,
.cut.concert text {
  fill: var(--dusk);
}
.cut text {
  fill: var(--granite);
}
/* It lies over the arcs, which are pressed. */
.here {
  pointer-events: none;
}
.here line {
  stroke: var(--dusk);
  stroke-width: 2;
}
.here path,
.here circle {
  fill: var(--dusk);
}
.month {
  fill: var(--granite);
}
</style>
