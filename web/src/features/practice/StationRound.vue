<script setup lang="ts">
// One round of questions at a station, on a device of its own.
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { RoundKind } from '@/api/practice'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import RoundFace from './RoundFace.vue'
import { useRound } from './useRound'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ id: string; today: string }>()
const route = useRoute()
const kind = computed(() => (route.query.kind?.toString() ?? 'place') as RoundKind)
const number = (name: string, otherwise: number) => Number(route.query[name] ?? otherwise)
const { refused, busy, keep } = useKeep()
const played = useRound(
  () => props.id,
  () => props.today,
  true,
)
const { round, over, right, seconds, face, answered, sounds } = played
const begin = () =>
  keep(() =>
    played.begin({
      ...{ kind: kind.value, count: number('count', 10), first: 0 },
      lines: number('lines', 5) as 1 | 2 | 3 | 5,
      clef: route.query.clef === 'F' ? 'F' : 'G',
      song_id: route.query.song?.toString() ?? null,
      seed: Date.now() % 2_000_000_000,
    }),
  )
async function on() {
  if (busy.value) return
  if (!round.value || over.value) await begin()
  else await played.on()
}
useKeys([
  { key: ' ', says: say('round-key-on'), act: () => void on() },
  ...[1, 2, 3, 4].map((n) => ({
    key: String(n),
    says: '',
    act: () => played.answer(n - 1),
  })),
])
</script>

<template>
  <h1>{{ sayOf('round-kind', kind) }}</h1>
  <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
  <RoundFace v-if="face" :on="face" @answer="played.answer" />
  <div v-else class="middle">
    <p v-if="round && over" class="score" role="status">
      {{ say('round-score', { right, of: round.questions.length, seconds }) }}
    </p>
    <p v-else class="lead">{{ sayOf('round-lead', kind) }}</p>
    <v-btn class="main" size="x-large" :disabled="busy" @click="on()">{{
      say(round ? 'round-again' : 'round-begin')
    }}</v-btn>
  </div>
  <div v-if="face" class="row foot">
    <v-btn v-if="answered !== null" class="main" size="x-large" @click="on()">{{
      say(face.n === face.of ? 'round-end' : 'round-next')
    }}</v-btn>
    <v-btn v-else-if="sounds" class="main" size="x-large" @click="played.hear()"
      >♪ {{ say('round-hear') }}</v-btn
    >
    <v-btn v-if="face.question.clues.length > face.clues" size="x-large" @click="played.clue()">{{
      say('round-clue')
    }}</v-btn>
    <span class="quiet">{{ say('round-n', { n: face.n, of: face.of }) }}</span>
  </div>
</template>

<style scoped>
h1 {
  font-size: 28px;
  margin: 0;
}
.middle {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 20px;
  align-items: center;
  justify-content: center;
}
.score,
.lead {
  font-size: 26px;
  margin: 0;
  text-align: center;
}
.foot {
  gap: 14px;
}
</style>
