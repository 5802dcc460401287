<script setup lang="ts">
// Native: bars that are struck.
// The bars of a set as they stand, low ones long; those that are off lie open, those put on are marked; what sounds has its name.
import { computed } from 'vue'
import type { Bars } from '@/api/instruments'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{ bars: Bars['bars']; label: string }>()
defineEmits<{ hear: [midi: number] }>()
const LONG = 190
const SHORTER = 4.6
const low = computed(() => Math.min(...props.bars.map((one) => one.midi)))
const drawn = computed(() =>
  props.bars.map((one) => ({
    ...one,
    height: LONG - (one.midi - low.value) * SHORTER,
    letter: pitchName(one.pitch).replace(/\d/, ''),
    octave: one.pitch.slice(-1),
  })),
)
</script>

<template>
  <div class="set" role="group" :aria-label="label">
    <button
      v-for="one in drawn"
      :key="one.pitch"
      :class="['bar', one.state, { sounds: one.degree !== null }]"
      :style="{ height: `${one.height}px` }"
      :disabled="one.state === 'off'"
      :title="
        say('bars-bar', {
          bar: `${one.letter} ${one.octave}`,
          state: one.state,
          degree: one.degree ?? '–',
        })
      "
      @click="$emit('hear', one.midi)"
    >
      <strong>{{ one.letter }}</strong><span v-if="one.degree !== null" class="degree">{{
        one.degree
      }}</span>
      <span v-if="one.state !== 'there'" class="small">{{
        one.state === 'on' ? say('bars-on') : say('bars-off')
      }}</span>
    </button>
  </div>
</template>

<style scoped>
.set {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 200px;
  overflow-x: auto;
}
.bar {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: flex-end;
  gap: 4px;
  width: 50px;
  flex: none;
  padding: 8px 0;
  border: 1.5px solid var(--granite);
  border-radius: 4px;
  background: var(--wash);
  color: var(--ink);
}
.bar.sounds {
  background: var(--grass-wash);
  border-color: var(--ink);
  border-width: 2px;
}
.bar.off {
  background: none;
  border-style: dashed;
  color: var(--granite);
}
.bar.on {
  border-color: var(--aloe);
  border-width: 3px;
}
.degree {
  font-size: 15px;
}
</style>
