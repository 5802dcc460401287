<script setup lang="ts">
// The exercise on the wall, as large as it goes, and what to do with it now. Nothing else.
import { computed } from 'vue'
import { useExerciseScore } from '@/api/practice'
import ScoreView from '@/components/ScoreView.vue'
import BeatBoxes from '@/features/practice/BeatBoxes.vue'
import HandAt from '@/features/practice/HandAt.vue'
import RoundFace from '@/features/practice/RoundFace.vue'
import { useOnWall } from '@/features/practice/useWall'
import { say, sayOf } from '@/locales/say'

const on = useOnWall()
const score = useExerciseScore(
  () => on.value?.exercise ?? '',
  computed(() => on.value?.look ?? { part: 0, shown: 'none' as const, rhythm: false, width: 1100 }),
)
const heading = computed(() => {
  if (on.value?.task.hand) return say('signs-wall')
  if (on.value?.task.picture || on.value?.task.score) return say('practice-wall-line')
  return on.value?.exercise ? sayOf('practice-step', on.value.step) : say('practice-wall-waits')
})
</script>

<template>
  <main class="wall">
    <h1 v-if="on?.face" class="small quiet">
      {{ say('round-n', { n: on.face.n, of: on.face.of }) }}
    </h1>
    <h1 v-else>
      {{ heading }}
    </h1>
    <p v-if="on && on.left > 0" class="left" role="timer">
      {{ say('practice-seconds', { n: on.left }) }}
    </p>
    <RoundFace v-if="on?.face" :on="on.face" still class="large" />
    <HandAt v-else-if="on?.task.hand" v-bind="on.task.hand" class="hand" />
    <ScoreView v-else-if="on?.task.picture" :svg="on.task.picture" :label="say('practice-title')" />
    <BeatBoxes v-else-if="on?.boxes" :exercise="on.boxes" :label="say('practice-title')" />
    <ScoreView
      v-else-if="on?.exercise && score.data.value"
      :svg="score.data.value"
      :label="say('practice-title')"
    />
  </main>
</template>

<style scoped>
.wall {
  min-height: 100vh;
  padding: 4vh 5vw;
  background: var(--paper);
}
h1 {
  font-size: 40px;
  margin: 0 0 3vh;
}
.large {
  zoom: 1.5;
}
.hand {
  height: 74vh;
}
.left {
  font-size: 40px;
  position: absolute;
  right: 5vw;
  top: 4vh;
  margin: 0;
}
</style>
