<script setup lang="ts">
// One activity, readable from the piano: title, the music, its steps, and when it works.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useScore } from '@/api/queries'
import ScoreView from '@/components/ScoreView.vue'
import TonicPattern from '@/components/TonicPattern.vue'
import { say } from '@/locales/say'
import PartLook from './PartLook.vue'
import PieceFace from './PieceFace.vue'
import { looking, type Look, startOf } from './useProjector'

const props = defineProps<{
  part: Schemas['PartRead']
  /** What goes otherwise for somebody. */
  otherwise: readonly string[]
  /** Of what is read in it, where that has tones. */
  tonic?: readonly Schemas['ToneRead'][]
}>()
const look = defineModel<Look>('look', { required: true })
/** What is different this time, for a class that did it before. */
const form = computed(() =>
  props.part.form === null ? undefined : props.part.forms[props.part.form],
)
/** Where the part that is looked at starts; the song itself where all are. */
const starting = computed(() => props.part.song && startOf(props.part.song, look.value))
const score = useScore(
  () => props.part.song?.id ?? '',
  1500,
  false,
  () => looking(look.value),
)
</script>

<template>
  <section
    :class="['face', { bare: !part.song && !part.piece && !part.reads }]"
    :aria-label="say('teach-activity')"
  >
    <div class="words">
      <p v-if="part.song || part.piece || part.reads" class="song quiet">
        {{ part.song?.title ?? part.piece?.title ?? part.concept?.name }}
      </p>
      <h1>{{ part.title }}</h1>
      <TonicPattern v-if="part.song" :tonic="part.song.tonic" :starting="starting" />
      <TonicPattern v-else-if="tonic?.length" :tonic="tonic" :starting="null" />
      <p v-if="form" class="form">
        <strong>{{ say('teach-form', { n: (part.times ?? 0) + 1, stage: form.stage }) }}</strong>
        {{ form.says }}
      </p>
      <p v-if="part.grown" class="form">{{ part.grown }}</p>
      <ol class="steps">
        <li v-for="step in part.steps" :key="step">{{ step }}</li>
      </ol>
      <p v-if="part.props" class="quiet">{{ say('lesson-props') }}: {{ part.props }}</p>
      <p v-if="part.care" class="care">{{ part.care }}</p>
      <p v-for="one in otherwise" :key="one" class="form">{{ one }}</p>
      <p class="quiet">
        <strong>{{ say('lesson-works') }}</strong> {{ part.works }}
      </p>
    </div>
    <PieceFace v-if="part.piece" :piece="part.piece" />
    <slot v-if="part.reads && !part.song" />
    <div v-if="part.song" :class="['music', 'sheet', { 'one-part': look.part !== null }]">
      <PartLook v-if="part.song.parts.length" v-model="look" :parts="part.song.parts" />
      <ScoreView
        v-if="score.data.value"
        :svg="score.data.value"
        :label="say('song-score', { title: part.song.title })"
      />
      <p v-else-if="score.error.value" class="wrong">△ {{ score.error.value.message }}</p>
    </div>
  </section>
</template>

<style scoped>
.face {
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 28px;
  align-items: start;
  min-height: 0;
}
.words {
  display: grid;
  gap: 9px;
}
.song {
  font-size: 18px;
}
h1 {
  font-size: 34px;
  margin-top: -10px;
}
.form {
  font-size: 18px;
  line-height: 1.3;
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
}
.steps {
  font-size: 18px;
  line-height: 1.3;
  display: grid;
  gap: 6px;
}
.music {
  padding: 12px 16px;
  max-height: 100%;
  overflow: auto;
}
.bare {
  grid-template-columns: minmax(0, 1fr);
  align-content: center;
  height: 100%;
}
.bare .words {
  gap: 24px;
}
.bare h1 {
  font-size: 72px;
  line-height: 1.05;
  text-wrap: balance;
}
.bare .steps {
  font-size: 28px;
  gap: 14px;
  max-width: 36em;
}
@media (max-width: 900px) {
  .bare h1 {
    font-size: 56px;
  }
  .face {
    grid-template-columns: 1fr;
  }
  h1 {
    font-size: 28px;
  }
}
</style>
