<script setup lang="ts">
// Native: steps of a routine, pressed whole.
// The routine of reading as steps from left to right; the one that is on is marked, one key goes on.
import type { Step } from './useReading'
import { say, sayOf } from '@/locales/say'

defineProps<{ steps: readonly Step[]; at: number; left: number }>()
const emit = defineEmits<{ go: [to: number] }>()
</script>

<template>
  <ol class="steps" :aria-label="say('practice-routine')">
    <li v-for="(step, n) in steps" :key="step">
      <button
        :class="['step', { now: n === at, past: n < at }]"
        :aria-current="n === at ? 'step' : undefined"
        @click="emit('go', n)"
      >
        <span class="narrow number" aria-hidden="true">{{ n < at ? '✓' : n + 1 }}</span>
        {{ sayOf('practice-step', step) }}
        <span v-if="step === 'look' && n === at && left > 0" class="narrow left" role="timer">{{
          say('practice-seconds', { n: left })
        }}</span>
      </button>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.step {
  min-height: 44px;
  padding: 4px 12px;
  border: 1px solid var(--line);
  border-radius: 2px;
}
.now {
  background: var(--dusk);
  color: var(--paper);
  border-color: var(--dusk);
  font-weight: 650;
}
.past {
  color: var(--granite);
}
.number {
  opacity: 0.8;
  margin-right: 2px;
}
.left {
  margin-left: 6px;
}
</style>
