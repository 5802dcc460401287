<script setup lang="ts">
// Native: an answer may be a line of notes.
// One question of a round as a class sees it: what is asked, what is seen, what can be answered. The right answer stands there only
// once it was answered.
import { computed } from 'vue'
import ScoreView from '@/components/ScoreView.vue'
import StaffPlaces from '@/components/StaffPlaces.vue'
import { say } from '@/locales/say'
import BentPlaces from './BentPlaces.vue'
import type { OnFace } from './useRound'

const props = defineProps<{ on: OnFace; still?: boolean }>()
const emit = defineEmits<{ answer: [choice: number] }>()
const question = computed(() => props.on.question)
const over = computed(() => props.on.answered !== null)
const clues = computed(() => question.value.clues.slice(0, props.on.clues))
const lined = computed(() => question.value.choices.some((one) => one.picture))
function signOf(n: number): string {
  if (!over.value) return ''
  return n === props.on.answer ? '✓ ' : n === props.on.answered ? '✗ ' : ''
}
</script>

<template>
  <section class="face" :aria-label="question.says">
    <p class="asks">{{ question.says }}</p>
    <StaffPlaces
      v-if="question.staff && !question.staff.clef"
      :lines="question.staff.lines"
      :heads="question.staff.heads"
      :do="question.staff.do"
      :reveal="over ? question.staff.reveal : []"
      :label="question.says"
    />
    <ScoreView
      v-else-if="question.picture"
      :class="['seen', { single: question.staff }]"
      :svg="question.picture"
      :label="question.says"
    />
    <ol v-if="clues.length" class="clues">
      <li v-for="clue in clues" :key="clue">{{ clue }}</li>
    </ol>
    <ol :class="['choices', { lined }]">
      <li v-for="(one, n) in question.choices" :key="n">
        <button
          type="button"
          :class="['choice', { right: over && n === on.answer, chosen: n === on.answered }]"
          :disabled="still || over"
          @click="emit('answer', n)"
        >
          <span class="kbd">{{ n + 1 }}</span>
          <span v-if="one.picture" class="line">
            <ScoreView :svg="one.picture" :label="`${n + 1}`" />
          </span>
          <span v-else>{{ signOf(n) }}{{ one.says }}</span>
          <strong v-if="one.picture && signOf(n)">{{ signOf(n) }}</strong>
        </button>
      </li>
    </ol>
    <BentPlaces v-if="over && question.bent" :bent="question.bent" :label="question.says" />
    <p class="why" role="status">
      <template v-if="over"
        ><strong>{{ say(on.answered === on.answer ? 'round-right' : 'round-not-right') }}</strong>
        {{ question.why }}</template
      >
    </p>
  </section>
</template>

<style scoped>
.face {
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: center;
}
.asks {
  font-size: 26px;
  margin: 0;
  text-align: center;
}
.seen {
  width: 100%;
  max-width: 760px;
}
.single {
  max-width: 300px;
}
.clues {
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 24px;
  display: grid;
  gap: 8px;
  text-align: center;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: center;
  list-style: none;
  padding: 0;
  margin: 0;
}
.choices.lined {
  flex-direction: column;
  align-items: stretch;
  width: min(100%, 720px);
}
.choice {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 48px;
  padding: 6px 18px;
  border: 1px solid var(--granite);
  border-radius: 2px;
  background: var(--sheet);
  font-size: 18px;
  font-weight: 600;
}
.choice:disabled {
  cursor: default;
}
.lined .choice {
  width: 100%;
}
.line {
  flex: 1;
  max-width: 620px;
  margin: -14px 0;
}
.choice.right {
  box-shadow: inset 0 0 0 3px var(--grass);
}
.choice.chosen:not(.right) {
  border-style: dashed;
  box-shadow: inset 0 0 0 2px var(--granite);
}
.why {
  margin: 0;
  min-height: 1.5em;
  text-align: center;
}
</style>
