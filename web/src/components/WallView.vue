<script setup lang="ts">
// One thing, huge: music with its title, a question, a sign with its name, or what to look at. Never names, marks or answers.
import ConceptSign from '@/components/ConceptSign.vue'
import FormationPicture, { type Grouping } from '@/components/FormationPicture.vue'
import ScoreView from '@/components/ScoreView.vue'
import WallLadder, { type Rung } from '@/components/WallLadder.vue'
import { say } from '@/locales/say'

defineProps<{
  title: string
  svg?: string | null
  question?: string
  sign?: string
  name?: string
  rungs?: readonly Rung[]
  formation?: Grouping | null
  moves?: boolean
  onePart?: boolean
}>()
</script>

<template>
  <template v-if="svg">
    <h1>{{ title }}</h1>
    <div :class="['music', { 'one-part': onePart }]">
      <ScoreView :svg="svg" :label="say('song-score', { title })" />
    </div>
  </template>
  <div v-else-if="rungs?.length" class="cue beside">
    <div class="cue">
      <p class="small-title">{{ title }}</p>
      <h1 v-if="question" class="question">{{ question }}</h1>
      <h1 v-else>{{ name }}</h1>
    </div>
    <WallLadder :rungs="rungs" />
  </div>
  <div v-else-if="sign" class="cue">
    <h1 class="small-title">{{ title }}</h1>
    <ConceptSign :sign="sign" :name="name ?? ''" :height="220" class="big" />
    <p v-if="name !== sign">{{ name }}</p>
  </div>
  <div v-else-if="question" class="cue">
    <p class="small-title">{{ title }}</p>
    <h1 class="question">{{ question }}</h1>
    <FormationPicture v-if="formation" :formation="formation" :moves="moves ?? false" class="low" />
  </div>
  <div v-else class="cue">
    <h1>{{ title }}</h1>
    <FormationPicture v-if="formation" :formation="formation" :moves="moves ?? false" />
    <p v-else>{{ say('projector-look') }}</p>
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
.cue h1.question {
  font-size: clamp(56px, 11vh, 120px);
  max-width: 18em;
}
.cue .small-title,
.cue h1.small-title {
  font-size: clamp(28px, 4.5vh, 48px);
  color: var(--granite);
  font-weight: 600;
}
.beside {
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 5vw;
  place-content: stretch;
}
.low :deep(svg) {
  height: 26vh;
}
.cue :deep(.big),
.cue :deep(.big *) {
  color: var(--ink);
  font-size: clamp(110px, 26vh, 260px);
  line-height: 0.95;
}
</style>
