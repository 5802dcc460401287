<script setup lang="ts">
// All layers as one line beneath them, over the phrase; beats that nobody plays hatched, and where the loops meet again.
import { computed } from 'vue'
import type { Looked } from '@/api/instruments'
import { say } from '@/locales/say'
import { FINE, read } from './loop'

const props = defineProps<{ looked: Looked; bar: number; phrase: number }>()
const sum = computed(() => read(props.looked.sum))
const cycle = computed(() => sum.value.length / FINE)
/** Sounds of the sum within the phrase, in beats. */
const sounds = computed(() => {
  const found: { start: number; beats: number }[] = []
  for (let from = 0; from < props.phrase; from += cycle.value)
    for (const one of sum.value.sounds) {
      const start = from + one.start / FINE
      if (start < props.phrase)
        found.push({ start, beats: Math.min(one.length / FINE, props.phrase - start) })
    }
  return found
})
const silent = computed(() =>
  Array.from({ length: props.phrase }, (_, n) => n).filter((n) =>
    props.looked.silent_beats.includes((n % cycle.value) + 1),
  ),
)
const share = (beats: number) => `${(100 * beats) / props.phrase}%`
</script>

<template>
  <div class="row-of">
    <span class="label small">{{ say('layers-sum') }}</span>
    <div
      class="sum"
      role="img"
      :aria-label="say('layers-sum-said', { n: looked.silent_beats.length })"
    >
      <span
        v-for="n in silent"
        :key="`s${n}`"
        class="silent"
        :style="{ left: share(n), width: share(1) }"
      />
      <span
        v-for="(one, n) in sounds"
        :key="n"
        class="sound"
        :style="{ left: share(one.start), width: `calc(${share(one.beats)} - 3px)` }"
      />
      <span
        v-if="looked.layers.length > 1 && cycle < phrase"
        class="meet narrow small"
        :style="{ left: share(cycle) }"
        >{{ say('layers-meet') }}</span
      >
    </div>
  </div>
</template>

<style scoped>
.row-of {
  display: flex;
  gap: 14px;
  padding: 10px 0 14px;
  border-top: 1px solid var(--line);
}
.label {
  width: 156px;
  flex: none;
}
.sum {
  position: relative;
  flex: 1;
  height: 30px;
  background: var(--wash);
}
.sound {
  position: absolute;
  top: 9px;
  height: 12px;
  margin-left: 2px;
  border-radius: 6px 0 0 6px;
  background: var(--granite);
}
.silent {
  position: absolute;
  top: 0;
  bottom: 0;
  background: repeating-linear-gradient(45deg, transparent 0 5px, var(--line) 5px 7px);
}
.meet {
  position: absolute;
  top: 30px;
  padding-left: 4px;
  border-left: 2px solid var(--aloe);
  color: var(--aloe);
}
</style>
