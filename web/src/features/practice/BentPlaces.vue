<script setup lang="ts">
// Where a tone lies with its sign and without it: on a ladder of the scale and on the keys of a piano.
import { computed } from 'vue'
import type { Round } from '@/api/practice'
import { say } from '@/locales/say'

type Bent = NonNullable<Round['questions'][number]['bent']>
const props = defineProps<{ bent: Bent; label: string }>()
const TALL = 190
const KEY = 26
const BLACK = [1, 3, 6, 8, 10]
const isBlack = (midi: number) => BLACK.includes(midi % 12)
const low = computed(() => props.bent.scale[0]?.midi ?? 60)
const high = computed(() => props.bent.scale.at(-1)?.midi ?? 72)
const y = (midi: number) =>
  TALL - 14 - ((midi - low.value) / (high.value - low.value || 1)) * (TALL - 28)
/** White keys side by side, black ones between; one key more at each end. */
const keys = computed(() => {
  const first = isBlack(low.value - 1) ? low.value - 2 : low.value - 1
  const last = isBlack(high.value + 1) ? high.value + 2 : high.value + 1
  let white = 0
  return Array.from({ length: last - first + 1 }, (_, n) => first + n).map((midi) => {
    const black = isBlack(midi)
    const x = black ? white * KEY - KEY * 0.3 : white * KEY
    if (!black) white += 1
    return { midi, black, x, center: black ? x + KEY * 0.3 : x + KEY / 2 }
  })
})
const wide = computed(() => keys.value.filter((one) => !one.black).length * KEY)
const signOf = (midi: number) =>
  midi === props.bent.signed ? '●' : midi === props.bent.plain ? '○' : ''
</script>

<template>
  <figure class="bent">
    <div class="pictures">
      <svg :viewBox="`0 0 190 ${TALL}`" role="img" :aria-label="`${label} ${say('bent-ladder')}`">
        <line x1="40" x2="40" y1="0" :y2="TALL" class="rail" />
        <line x1="110" x2="110" y1="0" :y2="TALL" class="rail" />
        <g v-for="one in bent.scale" :key="one.midi">
          <line x1="40" x2="110" :y1="y(one.midi)" :y2="y(one.midi)" class="rung" />
          <text x="34" :y="y(one.midi) + 5" class="name">{{ one.says }}</text>
        </g>
        <circle cx="75" :cy="y(bent.signed)" r="7" class="full" />
        <circle cx="75" :cy="y(bent.plain)" r="7" class="empty" />
      </svg>
      <svg
        :viewBox="`-1 -1 ${wide + 2} 132`"
        role="img"
        :aria-label="`${label} ${say('bent-keys')}`"
      >
        <rect
          v-for="one in keys.filter((key) => !key.black)"
          :key="one.midi"
          :x="one.x"
          y="0"
          :width="KEY"
          height="128"
          class="white"
        />
        <rect
          v-for="one in keys.filter((key) => key.black)"
          :key="one.midi"
          :x="one.x"
          y="0"
          :width="KEY * 0.6"
          height="78"
          class="black"
        />
        <text
          v-for="one in keys.filter((key) => signOf(key.midi))"
          :key="`sign${one.midi}`"
          :x="one.center"
          :y="one.black ? 66 : 118"
          :class="['mark', { light: one.black }]"
        >
          {{ signOf(one.midi) }}
        </text>
      </svg>
    </div>
    <figcaption class="small">
      <span>● {{ say('bent-signed') }}</span> <span>○ {{ say('bent-plain') }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.bent {
  margin: 0;
  display: grid;
  gap: 6px;
  justify-items: center;
}
.pictures {
  display: flex;
  gap: 28px;
  align-items: center;
}
svg {
  height: 190px;
}
.rail,
.rung {
  stroke: var(--granite);
  stroke-width: 1.5;
}
.name {
  text-anchor: end;
  font-size: 14px;
  fill: var(--ink);
}
.full {
  fill: var(--ink);
}
.empty {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 3 2;
}
.white {
  fill: #fff;
  stroke: #2a211b;
}
.black {
  fill: #2a211b;
}
.mark {
  text-anchor: middle;
  font-size: 18px;
  fill: #2a211b;
}
.light {
  fill: #fff;
}
figcaption {
  display: flex;
  gap: 18px;
}
</style>
