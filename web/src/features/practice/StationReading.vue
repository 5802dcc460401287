<script setup lang="ts">
// A station for reading: one child or a pair, some lines one after the other. Look in silence, read it aloud, then hear it and say
// whether it was just so. Nothing sounds before it was read.
import { computed, onUnmounted, ref, shallowRef } from 'vue'
import {
  type Exercise,
  type Offer,
  nextExercise,
  tellRound,
  useExerciseScore,
  type Wish,
} from '@/api/practice'
import ScoreView from '@/components/ScoreView.vue'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import { say } from '@/locales/say'
import { plainWish } from './tasks'
import { useExerciseSound } from './useExerciseSound'

const props = defineProps<{
  id: string
  sort: Offer['sort']
  due: string
  look: number
  today: string
}>()
const LINES = 5
const exercise = shallowRef<Exercise | null>(null)
const answers = ref<boolean[]>([])
const heard = ref(false)
const left = ref(0)
const seconds = ref(0)
let since = 0
let timer = 0
const { refused, busy, keep } = useKeep()
const sound = useExerciseSound(
  () => exercise.value,
  () => 0,
)
const score = useExerciseScore(
  () => exercise.value?.id ?? '',
  computed(() => ({ part: 0, shown: 'none' as const, rhythm: false, width: 1100 })),
)
const over = ref(false) // and told
const right = computed(() => answers.value.filter(Boolean).length)
function quiet() {
  window.clearInterval(timer)
  left.value = 0
}
onUnmounted(quiet)
const next = () =>
  keep(async () => {
    const wish: Wish = plainWish(props)
    exercise.value = await nextExercise(props.id, wish)
    heard.value = false
    quiet()
    left.value = props.look
    timer = window.setInterval(() => {
      left.value -= 1
      if (left.value <= 0) quiet()
    }, 1000)
  })
async function begin() {
  answers.value = []
  over.value = false
  since = Date.now()
  await next()
}
function hear() {
  quiet()
  heard.value = true
  sound.line()
}
async function answer(right: boolean) {
  if (!heard.value || busy.value || answers.value.length >= LINES) return
  answers.value = [...answers.value, right]
  if (answers.value.length < LINES) return next()
  seconds.value = Math.round((Date.now() - since) / 1000)
  await tellRound(props.id, props.today, {
    ...{
      ask: 'reading',
      concept: props.due,
      asked: LINES,
      right: answers.value.filter(Boolean).length,
    },
    ...{ choices: 2, seconds: seconds.value, station: true },
  })
  exercise.value = null
  over.value = true
}
function on() {
  if (busy.value) return
  if (exercise.value) hear()
  else void begin()
}
useKeys([
  { key: ' ', says: say('station-key'), act: on },
  { key: '3', says: say('station-so'), act: () => void answer(true) },
  { key: '1', says: say('station-not'), act: () => void answer(false) },
])
</script>

<template>
  <h1>{{ say('station-title') }}</h1>
  <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
  <template v-if="exercise">
    <ScoreView v-if="score.data.value" :svg="score.data.value" :label="say('station-title')" />
    <p class="lead" role="status">
      <template v-if="heard">{{ say('station-asks') }}</template>
      <template v-else-if="left > 0">{{ say('station-look', { n: left }) }}</template>
      <template v-else>{{ say('station-read') }}</template>
    </p>
    <div class="row foot">
      <v-btn :class="{ main: !heard }" size="x-large" @click="hear()"
        >♪ {{ say(heard ? 'station-again' : 'station-hear') }}</v-btn
      >
      <template v-if="heard">
        <v-btn class="main" size="x-large" :disabled="busy" @click="answer(true)">{{
          say('station-so')
        }}</v-btn>
        <v-btn size="x-large" :disabled="busy" @click="answer(false)">{{
          say('station-not')
        }}</v-btn>
      </template>
      <span class="quiet">{{
        say('round-n', { n: Math.min(answers.length + 1, LINES), of: LINES })
      }}</span>
    </div>
  </template>
  <div v-else class="middle">
    <p v-if="over" class="lead" role="status">
      {{ say('station-score', { right, of: LINES, seconds }) }}
    </p>
    <p v-else class="lead">{{ say('station-lead', { n: LINES }) }}</p>
    <v-btn class="main" size="x-large" :disabled="busy" @click="begin()">{{
      say(over ? 'round-again' : 'round-begin')
    }}</v-btn>
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
.lead {
  font-size: 26px;
  margin: 0;
  text-align: center;
}
.foot {
  gap: 14px;
}
</style>
