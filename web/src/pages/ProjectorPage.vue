<script setup lang="ts">
// What the class sees: the music or the one cue, on the whole screen. Never names, marks or answers.
import { computed, watchEffect } from 'vue'
import { useLesson } from '@/api/lessons'
import { lessonLook, useExerciseScore } from '@/api/practice'
import { useMe, useScore } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import WallView from '@/components/WallView.vue'
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
const exercise = useExerciseScore(
  () => (part.value?.reads ? (look.value.exercise?.id ?? '') : ''),
  () => lessonLook(look.value.exercise ?? { parts: 1, reads: 'line', at: 0 }, true),
)
watchEffect(() => (document.title = say('projector-title')))
</script>

<template>
  <main class="wall">
    <PageState v-if="!lesson.data.value" :error="lesson.error.value" @again="lesson.refetch()" />
    <template v-else-if="part?.song">
      <WallView
        v-if="score.data.value"
        :title="part.song.title"
        :svg="score.data.value"
        :one-part="look.part !== null"
      />
      <h1 v-else>{{ part.song.title }}</h1>
    </template>
    <WallView
      v-else-if="part?.reads && exercise.data.value"
      :title="part.title"
      :svg="exercise.data.value"
    />
    <WallView
      v-else-if="part"
      :title="part.piece?.title ?? part.title"
      v-bind="part.piece ? { question: part.piece.question } : look.open ? part.opened : part.wall"
    />
    <p v-else class="cue">{{ say('projector-waiting') }}</p>
  </main>
</template>

<style scoped>
.cue {
  margin: auto;
  font-size: clamp(40px, 7vh, 72px);
  color: var(--granite);
}
</style>
