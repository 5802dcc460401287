<script setup lang="ts">
// The exercise on the wall, as large as it goes, and what to do with it now. Nothing else.
import { computed } from 'vue'
import { useExerciseScore } from '@/api/practice'
import ScoreView from '@/components/ScoreView.vue'
import BeatBoxes from '@/features/practice/BeatBoxes.vue'
import RoundFace from '@/features/practice/RoundFace.vue'
import { useOnWall } from '@/features/practice/useWall'
import { say, sayOf } from '@/locales/say'

const on = useOnWall()
const score = useExerciseScore(
  () => on.value?.exercise ?? '',
  computed(() => on.value?.look ?? { part: 0, shown: 'none' as const, rhythm: false, width: 1100 }),
)
</script>

<template>
  <main class="wall">
    <h1 v-if="on?.face" class="small quiet">
      {{ say('round-n', { n: on.face.n, of: on.face.of }) }}
    </h1>
    <h1 v-else>
      {{ on?.exercise ? sayOf('practice-step', on.step) : say('practice-wall-waits') }}
    </h1>
    <p v-if="on && on.left > 0" class="left" role="timer">
      {{ say('practice-seconds', { n: on.left }) }}
    </p>
    <RoundFace v-if="on?.face" :on="on.face" still class="large" />
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
.left {
  font-size: 40px;
  position: absolute;
  right: 5vw;
  top: 4vh;
  margin: 0;
}
</style>
