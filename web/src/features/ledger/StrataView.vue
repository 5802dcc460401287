<script setup lang="ts">
// A strand over the year as strata: sure at the ground, above it shown once, nearly, not yet. Pattern tells it, colour only helps.
import { computed, useId } from 'vue'
import type { Schemas } from '@/api/client'
import { monthName } from '@/composables/words'
import { standingName } from '@/locales/names'
import { say } from '@/locales/say'

const props = defineProps<{ strata: readonly Schemas['StratumRead'][]; days: readonly string[] }>()
const LAYERS = ['secure', 'once', 'nearly', 'not_yet'] as const
const WIDTH = 600
const STEP = 13 // pixels of one concept
const id = useId()
const x = (index: number) => (index / Math.max(props.days.length, 1)) * WIDTH
const drawn = computed(() =>
  props.strata
    .filter((one) => one.days.some((day) => day.some((n) => n > 0)))
    .map((one) => {
      const most = Math.max(...one.days.map((day) => day.reduce((sum, n) => sum + n, 0)), 1)
      const high = most * STEP
      const layers = LAYERS.map((layer, place) => {
        const bars = one.days.map((day, index) => {
          const below = day.slice(0, place).reduce((sum, n) => sum + n, 0)
          return { index, low: below, n: day[place] ?? 0 }
        })
        const path = bars
          .filter((bar) => bar.n > 0)
          .map((bar) => {
            const top = high - (bar.low + bar.n) * STEP
            return `M${x(bar.index)} ${top} H${x(bar.index + 1)} V${top + bar.n * STEP} H${x(bar.index)} Z`
          })
          .join(' ')
        return { layer, path }
      })
      const last = one.days.at(-1) ?? []
      const spoken = LAYERS.flatMap((layer, place) =>
        last[place] ? [`${last[place]} ${standingName(layer)}`] : [],
      ).join(', ')
      return { strand: one.strand, high, layers, spoken }
    }),
)
const months = computed(() =>
  props.days.flatMap((day, index) =>
    index === 0 || day.slice(0, 7) !== props.days[index - 1]?.slice(0, 7)
      ? [{ at: x(index), says: monthName(day) }]
      : [],
  ),
)
</script>

<template>
  <div class="strata">
    <template v-for="one in drawn" :key="one.strand">
      <span class="strand"
        >{{ one.strand }}<br /><span class="small quiet">{{ one.spoken }}</span></span
      >
      <svg
        :viewBox="`0 0 ${WIDTH} ${one.high}`"
        preserveAspectRatio="none"
        :style="{ height: `${one.high}px` }"
        role="img"
        :aria-label="say('child-strand', { strand: one.strand, now: one.spoken })"
      >
        <defs>
          <pattern :id="`${id}-once`" width="8" height="8" patternUnits="userSpaceOnUse">
            <rect width="8" height="8" class="secure" />
            <circle cx="4" cy="4" r="2.2" class="hole" />
          </pattern>
          <pattern :id="`${id}-nearly`" width="8" height="6" patternUnits="userSpaceOnUse">
            <rect width="8" height="3" class="nearly" />
          </pattern>
          <pattern :id="`${id}-not_yet`" width="9" height="9" patternUnits="userSpaceOnUse">
            <path d="M0 9 L9 0" class="dash" />
          </pattern>
        </defs>
        <path
          v-for="layer in one.layers"
          :key="layer.layer"
          :d="layer.path"
          :class="layer.layer"
          :fill="layer.layer === 'secure' ? undefined : `url(#${id}-${layer.layer})`"
        />
      </svg>
    </template>
    <span></span>
    <span class="months small quiet"
      ><span
        v-for="month in months"
        :key="month.at"
        :style="{ left: `${(month.at / WIDTH) * 100}%` }"
        >{{ month.says }}</span
      ></span
    >
  </div>
</template>

<style scoped>
.strata {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr);
  gap: 8px 16px;
  align-items: end;
}
.strand {
  line-height: 1.2;
}
svg {
  width: 100%;
  border-bottom: 2px solid var(--granite);
}
.secure {
  fill: var(--lichen);
}
.hole {
  fill: var(--sheet);
}
rect.nearly {
  fill: var(--grass);
}
.dash {
  stroke: var(--granite);
  stroke-width: 1.2;
}
.months {
  position: relative;
  height: 18px;
}
.months span {
  position: absolute;
}
@media (max-width: 700px) {
  .strata {
    grid-template-columns: 1fr;
  }
}
</style>
