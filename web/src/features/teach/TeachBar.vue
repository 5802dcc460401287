<script setup lang="ts">
// The lesson as a line, the minutes, the other screens.
import { mdiProjectorScreenOutline } from '@mdi/js'
import type { Schemas } from '@/api/client'
import LessonContour from '@/components/LessonContour.vue'
import { say } from '@/locales/say'
import MinutesRing from './MinutesRing.vue'
import { MORE } from './useParts'

defineProps<{
  parts: readonly Schemas['PartRead'][]
  at: number
  left: number
  partLeft: number
  share: number
  running: boolean
  pairing: boolean
}>()
defineEmits<{ longer: []; project: []; pair: [] }>()
</script>

<template>
  <header class="bar">
    <LessonContour :blocks="parts" :height="34" :current="at" class="line" />
    <div class="row times">
      <MinutesRing v-if="running && at < parts.length" :left="partLeft" :share="share" />
      <v-btn
        v-if="at < parts.length"
        size="small"
        height="44"
        :title="say('keys-longer')"
        @click="$emit('longer')"
        >+{{ MORE }} <span class="kbd">+</span></v-btn
      >
      <span class="narrow where"
        >{{ say('teach-of', { n: Math.min(at + 1, parts.length), all: parts.length })
        }}<template v-if="running"
          ><br />{{
            left >= 0 ? say('teach-left', { n: left }) : say('teach-past', { n: -left })
          }}</template
        ></span
      >
    </div>
    <div class="row screens">
      <v-btn
        size="small"
        height="44"
        :prepend-icon="mdiProjectorScreenOutline"
        @click="$emit('project')"
        >{{ say('teach-projector') }}</v-btn><v-btn
        size="small"
        height="44"
        :aria-expanded="pairing"
        @click="$emit('pair')"
        >{{ say('far-other') }}</v-btn
      >
    </div>
  </header>
</template>

<style scoped>
.bar {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 20px;
  align-items: center;
}
.times {
  gap: 8px;
}
.where {
  color: var(--granite);
  line-height: 1.2;
  white-space: nowrap;
}
@media (max-width: 900px) {
  .bar {
    grid-template-columns: 1fr auto;
  }
  .line {
    grid-column: 1 / -1;
  }
}
</style>
