<script setup lang="ts">
// The minutes of the part that is on: a ring that closes, and how many are left in it.
import { computed } from 'vue'
import { say } from '@/locales/say'

const props = defineProps<{ left: number; share: number }>()
const AROUND = 2 * Math.PI * 20
const over = computed(() => props.left <= 0)
</script>

<template>
  <span
    :class="['ring', { over }]"
    role="timer"
    :aria-label="over ? say('ring-over', { n: -left }) : say('ring-left', { n: left })"
  >
    <svg viewBox="0 0 48 48" aria-hidden="true">
      <circle cx="24" cy="24" r="20" class="whole" />
      <circle
        cx="24"
        cy="24"
        r="20"
        class="gone"
        :stroke-dasharray="`${share * AROUND} ${AROUND}`"
      />
    </svg>
    <strong aria-hidden="true">{{ over ? `+${-left}` : left }}</strong>
  </span>
</template>

<style scoped>
.ring {
  position: relative;
  display: inline-grid;
  place-items: center;
  width: 48px;
  height: 48px;
}
svg {
  position: absolute;
  inset: 0;
  transform: rotate(-90deg);
}
circle {
  fill: none;
  stroke-width: 5;
}
.whole {
  stroke: var(--line);
}
.gone {
  stroke: var(--lichen);
}
.over .gone {
  stroke: var(--dusk);
}
.over strong {
  color: var(--dusk);
}
</style>
