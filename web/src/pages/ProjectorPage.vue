<script setup lang="ts">
// What the class sees: the music or the one cue, on the whole screen. Never names, marks or answers.
import { computed, watchEffect } from 'vue'
import { useLesson } from '@/api/lessons'
import { useMe, useScore } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import ScoreView from '@/components/ScoreView.vue'
import { looking, useProjectedPart } from '@/features/teach/useProjector'
import { say } from '@/locales/say'

const props = defineProps<{ id: string }>()
useMe()
const lesson = useLesson(() => props.id)
const { part: shownPart, look } = useProjectedPart(() => props.id)
const parts = computed(() => lesson.data.value?.parts ?? [])
const part = computed(
  () =>
    parts.value.find((one) => one.id === shownPart.value) ??
    parts.value.find((one) => !one.tick) ??
    parts.value[0],
)
const several = computed(() => !!part.value?.song?.parts.length && !look.value.alone)
const score = useScore(
  () => part.value?.song?.id ?? '',
  () => (several.value ? 2600 : 1450), // several staves are high: more bars a line, so that they fill the wall
  true,
  () => looking(look.value),
)
watchEffect(() => (document.title = say('projector-title')))
</script>

<template>
  <main class="wall">
    <PageState v-if="!lesson.data.value" :error="lesson.error.value" @again="lesson.refetch()" />
    <template v-else-if="part">
      <h1 v-if="part.song">{{ part.song.title }}</h1>
      <div
        v-if="part.song && score.data.value"
        :class="['music', { 'one-part': look.part !== null }]"
      >
        <ScoreView :svg="score.data.value" :label="say('song-score', { title: part.song.title })" />
      </div>
      <div v-else-if="part.piece" class="cue">
        <h1>{{ part.piece.title }}</h1>
        <p>{{ part.piece.question }}</p>
      </div>
      <div v-else-if="!part.song" class="cue">
        <h1>{{ part.title }}</h1>
        <p>{{ say('projector-look') }}</p>
      </div>
    </template>
    <p v-else class="cue">{{ say('projector-waiting') }}</p>
  </main>
</template>

<style scoped>
.wall {
  min-height: 100vh;
  height: 100vh;
  overflow: hidden;
  padding: 3vh 3vw;
  display: flex;
  flex-direction: column;
  gap: 1vh;
}
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
