<script setup lang="ts">
// What stands for a concept in a narrow place: a drawn figure, a degree, a meter, or its short words.
import { computed } from 'vue'
import { figureOf } from '@/composables/figure'

const props = withDefaults(defineProps<{ sign: string; name: string; height?: number }>(), {
  height: 26,
})
const figure = computed(() => figureOf(props.sign))
const meter = computed(() => /^(\d+)\/(\d+)$/.exec(props.sign))
const tone = computed(() =>
  /^(do|re|mi|fa|sol?|la|[ts]i)[,']*( (do|re|mi|fa|sol?|la|[ts]i))*$/.test(props.sign),
)
</script>

<template>
  <span class="sign" role="img" :aria-label="name" :title="name">
    <svg
      v-if="figure"
      :height="height"
      :width="(figure.width / 26) * height"
      :viewBox="`0 0 ${figure.width} 26`"
      aria-hidden="true"
    >
      <g v-for="(note, index) in figure.notes" :key="index">
        <path v-if="note.rest" class="line" :d="`M${note.x - 3} 5 l5 5 l-4 4 l4 5 q-6 -2 -2 4`" />
        <template v-else>
          <ellipse
            :cx="note.x - 2"
            cy="21"
            rx="3.6"
            ry="2.6"
            :class="note.open ? 'open' : 'head'"
            :transform="`rotate(-18 ${note.x - 2} 21)`"
          />
          <path class="line" :d="`M${note.x + 1.2} 20 V4`" />
          <path
            v-for="flag in note.flags"
            :key="flag"
            class="line thick"
            :d="`M${note.x + 1.2} ${flag * 4} q1 4 5 7`"
          />
          <circle v-if="note.dot" :cx="note.x + 5.5" cy="20" r="1.3" class="head" />
        </template>
      </g>
      <path
        v-for="(beam, index) in figure.beams"
        :key="`b${index}`"
        class="beam"
        :d="`M${beam.from + 1.2} ${4 + beam.level * 4.5} H${beam.to + 1.2}`"
      />
      <text v-if="figure.triplet" class="three" :x="figure.width / 2 - 4" y="2.5">3</text>
    </svg>
    <span v-else-if="meter" class="meter narrow" aria-hidden="true"
      ><span>{{ meter[1] }}</span
      ><span>{{ meter[2] }}</span></span
    >
    <span v-else :class="['narrow', 'words', { tone }]" aria-hidden="true">{{ sign }}</span>
  </span>
</template>

<style scoped>
.sign {
  display: inline-flex;
  align-items: center;
  min-height: 20px;
}
.head {
  fill: currentColor;
}
.open {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.6;
}
.line {
  stroke: currentColor;
  stroke-width: 1.5;
  fill: none;
}
.thick {
  stroke-width: 1.8;
}
.beam {
  stroke: currentColor;
  stroke-width: 3;
}
.three {
  font: 600 8px var(--narrow);
  fill: currentColor;
}
.meter {
  display: inline-flex;
  flex-direction: column;
  font-weight: 600;
  line-height: 0.95;
  font-size: 15px;
}
.words {
  font-weight: 600;
  font-size: 14px;
  line-height: 1.1;
}
.tone {
  font-size: 17px;
}
</style>
