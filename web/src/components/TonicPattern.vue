<script setup lang="ts">
// Native: keys of a drawn keyboard, not of a form.
// The tonic pattern drawn by height, always; it sounds when asked.
import { computed } from 'vue'
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

interface Tone {
  degree: string
  pitch: string
  midi: number
}
const props = withDefaults(
  defineProps<{ tonic: readonly Tone[]; starting: Tone | null; big?: boolean }>(),
  { big: false },
)
const low = computed(() => Math.min(...props.tonic.map((tone) => tone.midi)))
const span = computed(() => Math.max(...props.tonic.map((tone) => tone.midi)) - low.value || 1)
const points = computed(() =>
  props.tonic.map((tone, index) => ({
    x: 14 + index * 34,
    y: 44 - ((tone.midi - low.value) / span.value) * 32,
    tone,
  })),
)
</script>

<template>
  <div :class="['pattern', { big }]">
    <button
      v-if="starting"
      class="start"
      :title="say('song-start')"
      @click="play([starting.midi], 1.6)"
    >
      <span class="visually-hidden">{{ say('song-start') }}</span><span class="pitch">{{
        pitchName(starting.pitch)
      }}</span
      ><span class="narrow degree">{{ degreeName(starting.degree, starting.pitch) }}</span>
    </button>
    <button
      v-if="tonic.length"
      class="tones"
      :title="say('song-tonic')"
      @click="play(tonic.map((t) => t.midi))"
    >
      <span class="visually-hidden"
        >{{ say('song-tonic') }}:
        {{ tonic.map((t) => degreeName(t.degree, t.pitch)).join(' ') }}</span
      >
      <svg :viewBox="`0 0 ${points.length * 34} 56`" aria-hidden="true">
        <polyline class="path" :points="points.map((p) => `${p.x},${p.y}`).join(' ')" />
        <g v-for="(p, index) in points" :key="index">
          <rect :x="p.x - 13" :y="p.y - 8" width="26" height="17" class="plate" />
          <text :x="p.x" :y="p.y + 5" class="name">
            {{ degreeName(p.tone.degree, p.tone.pitch) }}
          </text>
        </g>
      </svg>
    </button>
  </div>
</template>

<style scoped>
.pattern {
  display: flex;
  gap: 12px;
  align-items: stretch;
}
.start {
  border: 1px solid var(--granite);
  border-radius: 2px;
  min-width: 64px;
  min-height: 44px;
  padding: 4px 10px;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  line-height: 1.1;
}
.start:hover,
.tones:hover {
  background: var(--wash);
}
.pitch {
  font-size: 20px;
  font-weight: 650;
}
.degree {
  font-size: 14px;
  color: var(--granite);
}
.tones {
  border: 1px solid var(--line);
  border-radius: 2px;
  padding: 4px;
  flex: 0 1 250px;
  min-height: 44px;
}
.tones svg {
  width: 100%;
  height: 52px;
  display: block;
}
.path {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.5;
}
.plate {
  fill: var(--paper);
}
.name {
  font: 600 14px var(--narrow);
  fill: var(--ink);
  text-anchor: middle;
}
.big .pitch {
  font-size: 28px;
}
</style>
