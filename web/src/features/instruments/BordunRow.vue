<script setup lang="ts">
// One bordun: a bar of it as two rows of boxes, right hand above left, and whether it fits the song.
import { computed } from 'vue'
import type { Bordun } from '@/api/instruments'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{ bordun: Bordun; name: string }>()
defineEmits<{ hear: [] }>()
const row = (hand: 'L' | 'R') =>
  props.bordun.strokes
    .filter((one) => one.hand === hand)
    .map((one) => ({
      left: `${(100 * one.beat) / props.bordun.beats}%`,
      degree: one.degree,
      pitch: pitchName(one.pitch).replace(/\d/, ''),
    }))
const hands = computed(() => [
  { hand: say('bordun-right'), strokes: row('R') },
  { hand: say('bordun-left'), strokes: row('L') },
])
</script>

<template>
  <li class="bordun">
    <strong class="name">{{ name }}</strong>
    <div class="hands">
      <div v-for="one in hands" :key="one.hand" class="hand">
        <span class="which narrow" :title="one.hand">{{ one.hand }}</span>
        <div class="line" :style="{ backgroundSize: `${100 / bordun.beats}% 100%` }">
          <span
            v-for="(stroke, n) in one.strokes"
            :key="n"
            class="stroke"
            :style="{ left: stroke.left }"
            >{{ stroke.pitch }} <span class="narrow">{{ stroke.degree }}</span></span
          >
        </div>
      </div>
    </div>
    <p :class="['small', bordun.reason.weight]">
      {{ bordun.reason.weight === 'for' ? '✓' : '△' }} {{ bordun.reason.sentence }}
      <span v-if="bordun.crosses" class="quiet">{{ say('bordun-crosses') }}</span>
    </p>
    <v-btn size="small" :aria-label="say('bordun-hear', { name })" @click="$emit('hear')"
      ><span aria-hidden="true">♪</span></v-btn
    >
  </li>
</template>

<style scoped>
.bordun {
  display: grid;
  grid-template-columns: 130px minmax(240px, 420px) 1fr 52px;
  gap: 16px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.hands {
  display: grid;
  gap: 3px;
}
.hand {
  display: flex;
  gap: 8px;
  align-items: center;
}
.which {
  width: 34px;
}
.line {
  position: relative;
  flex: 1;
  height: 26px;
  background-color: var(--sheet);
  background-image: linear-gradient(to right, var(--line) 1px, transparent 1px);
  border: 1px solid var(--line);
}
.stroke {
  position: absolute;
  top: 1px;
  padding: 0 6px;
  font-size: 14px;
  line-height: 22px;
  border-left: 4px solid var(--ink);
  background: var(--wash);
}
.bordun p {
  margin: 0;
}
.against {
  color: var(--aloe);
}
@media (max-width: 900px) {
  .bordun {
    grid-template-columns: 1fr 52px;
  }
  .hands,
  .bordun p {
    grid-column: 1 / -1;
  }
}
</style>
