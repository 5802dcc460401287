<script setup lang="ts">
// One thing, huge: music with its title, a question, or what to look at. Never names, marks or answers.
import ScoreView from '@/components/ScoreView.vue'
import { say } from '@/locales/say'

defineProps<{ title: string; svg?: string | null; question?: string; onePart?: boolean }>()
</script>

<template>
  <template v-if="svg">
    <h1>{{ title }}</h1>
    <div :class="['music', { 'one-part': onePart }]">
      <ScoreView :svg="svg" :label="say('song-score', { title })" />
    </div>
  </template>
  <div v-else class="cue">
    <h1>{{ title }}</h1>
    <p>{{ question || say('projector-look') }}</p>
  </div>
</template>

<style scoped>
h1 {
  font-size: clamp(40px, 5.5vh, 72px);
}
.music {
  flex: 1;
  min-height: 0;
  display: flex;
  align-items: flex-start;
  justify-content: center;
}
.music :deep(.score) {
  width: 100%;
  height: 100%;
}
.music :deep(svg) {
  width: 100%;
  max-height: 100%;
}
.music :deep(.syl tspan tspan) {
  font-size: 590px;
}
.cue {
  flex: 1;
  display: grid;
  place-content: center;
  justify-items: center;
  text-align: center;
  gap: 3vh;
  font-size: clamp(40px, 7vh, 72px);
  color: var(--granite);
}
.cue h1 {
  font-size: clamp(72px, 15vh, 160px);
  color: var(--ink);
  text-wrap: balance;
}
</style>
