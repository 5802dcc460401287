<script setup lang="ts">
// What the class reads in this part: only the notes. One key gives another one of the same level.
import { computed } from 'vue'
import { type Exercise, lessonLook, useExerciseScore } from '@/api/practice'
import ScoreView from '@/components/ScoreView.vue'
import { say } from '@/locales/say'

const props = defineProps<{
  exercise: Exercise | null
  reads: '' | 'line' | 'cards' | 'change'
  at: number
  told: '' | 'clean' | 'broke'
  busy: boolean
  refused: string
}>()
const emit = defineEmits<{ fresh: []; step: []; tell: [clean: boolean] }>()
const shown = computed(() => (props.exercise ? { parts: props.exercise.parts.length } : {}))
const score = useExerciseScore(
  () => props.exercise?.id ?? '',
  () => lessonLook({ parts: 1, ...shown.value, reads: props.reads, at: props.at }, false),
)
</script>

<template>
  <div class="reads">
    <p v-if="refused" class="quiet" role="status">{{ refused }}</p>
    <template v-else-if="exercise">
      <p class="small quiet">{{ exercise.title }}</p>
      <ScoreView v-if="score.data.value" :svg="score.data.value" :label="exercise.title" />
    </template>
    <p v-else class="quiet">{{ say('teach-exercise-comes') }}</p>
    <div class="row">
      <v-btn
        v-if="reads === 'cards' || reads === 'change'"
        class="main"
        height="44"
        :disabled="!exercise"
        @click="emit('step')"
        >{{ say(reads === 'cards' ? 'cards-next' : 'change-next') }}
        <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <v-btn height="44" :disabled="busy" @click="emit('fresh')"
        >{{ say('practice-new') }} <span class="kbd">.</span></v-btn
      >
      <v-btn height="44" :disabled="!exercise || told !== ''" @click="emit('tell', true)"
        >{{ told === 'clean' ? '✓ ' : '' }}{{ say('practice-clean') }}</v-btn
      >
      <v-btn height="44" :disabled="!exercise || told !== ''" @click="emit('tell', false)"
        >{{ told === 'broke' ? '✓ ' : '' }}{{ say('practice-broke') }}</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.reads {
  padding: 12px 16px;
  background: var(--sheet);
  border: 1px solid var(--line);
  display: grid;
  gap: 8px;
}
p {
  margin: 0;
}
</style>
