<script setup lang="ts">
// The line without its notes: as signs, the hand at its height, one tone at a press; or as a call to echo. The notes come after, never with it.
import { computed, ref, watch } from 'vue'
import type { Exercise } from '@/api/practice'
import { HANDS, HEIGHTS, natural } from '@/components/handShapes'
import { say } from '@/locales/say'

const props = defineProps<{ exercise: Exercise; form: 'signs' | 'echo'; calls: number }>()
const emit = defineEmits<{ call: [times: number]; reveal: [] }>()
const at = ref(-1)
watch(
  () => [props.exercise.id, props.form],
  () => (at.value = -1),
)
const tones = computed(() => props.exercise.sounds[0]?.flatMap((one) => one.degree ?? []) ?? [])
const low = computed(() => Math.min(...tones.value.map(height)))
const high = computed(() => Math.max(...tones.value.map(height)))
const hand = computed(() => {
  const degree = tones.value[at.value]
  if (!degree) return null
  const syllable = /^[a-z]+/.exec(degree)?.[0] ?? 'do'
  return {
    paths: HANDS[natural(syllable)] ?? [],
    y: 150 - ((height(degree) - low.value) / (high.value - low.value || 1)) * 125,
  }
})
const over = computed(() => at.value >= tones.value.length)
function height(degree: string): number {
  const [, syllable = 'do', marks = ''] = /^([a-z]+)[#b]*([,']*)$/.exec(degree) ?? []
  const octave = marks.startsWith("'") ? marks.length : -marks.length
  return (HEIGHTS[natural(syllable)] ?? 0) + octave
}
function on() {
  if (over.value) emit('reveal')
  else at.value += 1
}
defineExpose({ on })
</script>

<template>
  <div class="hidden" role="status">
    <template v-if="form === 'signs'">
      <svg viewBox="0 0 120 190" role="img" :aria-label="say('practice-sign-now')">
        <line x1="6" x2="114" y1="182" y2="182" class="floor" />
        <g v-if="hand" :transform="`translate(34 ${hand.y - 16}) scale(1.35)`" class="hand">
          <path v-for="(path, n) in hand.paths" :key="n" :d="path" />
        </g>
      </svg>
      <p v-if="at < 0" class="quiet">{{ say('practice-signs-how') }}</p>
      <p v-else-if="over">{{ say('practice-signs-over') }}</p>
      <p v-else class="quiet">{{ say('practice-sign-of', { n: at + 1, all: tones.length }) }}</p>
      <v-btn class="main" @click="on()">{{
        over ? say('practice-reveal') : say('practice-sign-next')
      }}</v-btn>
    </template>
    <template v-else>
      <p class="quiet">{{ say('practice-echo-how', { calls }) }}</p>
      <div class="row">
        <v-btn class="main" @click="emit('call', calls)">♪ {{ say('practice-call') }}</v-btn>
        <v-btn @click="emit('reveal')">{{ say('practice-reveal') }}</v-btn>
      </div>
      <p class="small quiet">{{ say('practice-echo-then') }}</p>
    </template>
  </div>
</template>

<style scoped>
.hidden {
  min-height: 300px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: center;
  justify-content: center;
}
svg {
  height: 260px;
}
.hand path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.floor {
  stroke: var(--line);
}
p {
  margin: 0;
}
</style>
