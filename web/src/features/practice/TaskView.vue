<script setup lang="ts">
// What is done with an exercise beside reading it: signs, echo, cards, changes, writing, tapping. Tasks of their own, and no readings.
import { computed, ref, shallowRef, watch } from 'vue'
import type { Exercise, Offer } from '@/api/practice'
import ScoreView from '@/components/ScoreView.vue'
import { silence } from '@/composables/useSound'
import CardsLine from './CardsLine.vue'
import ChangingLine from './ChangingLine.vue'
import EchoLine from './EchoLine.vue'
import SignsLine from './SignsLine.vue'
import TapLine from './TapLine.vue'
import type { Task } from './tasks'
import { type OnTask, NO_TASK } from './useWall'
import WriteLine from './WriteLine.vue'

const props = defineProps<{
  exercise: Exercise
  offer: Offer | undefined
  part: number
  task: Task
  section: string
  today: string
  calls: number
  svg: string
  sticks: boolean
}>()
const emit = defineEmits<{
  call: [times: number, bars: number]
  hear: []
  wall: [on: OnTask]
}>()
interface Open {
  on: () => void
  mix?: () => void
}
const here = ref<Open | null>(null)
const open = ref(false) // the notes of what was signed, called or written
const missed = ref<number[]>([])
const picture = ref('')
const hand = shallowRef({ degree: '', among: [] as string[] }) // raw: it goes over a channel
watch(
  () => [props.exercise.id, props.task],
  () => {
    open.value = false
    missed.value = []
    picture.value = ''
    hand.value = { degree: '', among: [] }
    silence()
  },
)
const covered = computed(() => ['signs', 'echo'].includes(props.task) && !open.value)
const seen = computed(() => ['signs', 'echo'].includes(props.task) && open.value)
watch(
  [picture, hand, seen, () => props.task],
  () =>
    emit('wall', {
      ...NO_TASK,
      on: true,
      picture: ['cards', 'change'].includes(props.task) ? picture.value : '',
      hand: covered.value && props.task === 'signs' ? { ...hand.value } : null,
      score: seen.value || props.task === 'tap',
    }),
  { immediate: true },
)
const on = () => here.value?.on()
const mix = () => here.value?.mix?.()
defineExpose({ on, mix })
</script>

<template>
  <ScoreView
    v-if="(seen || task === 'tap') && svg"
    :svg="svg"
    :label="exercise.title"
    :marked="missed"
  />
  <SignsLine
    v-if="task === 'signs' && !open"
    ref="here"
    :exercise="exercise"
    :section="section"
    :today="today"
    @reveal="open = true"
    @hand="(degree, among) => (hand = { degree, among })"
  />
  <EchoLine
    v-else-if="task === 'echo' && !open"
    ref="here"
    :exercise="exercise"
    :calls="calls"
    @call="(times, bars) => emit('call', times, bars)"
    @reveal="open = true"
  />
  <CardsLine
    v-else-if="task === 'cards'"
    ref="here"
    :exercise="exercise"
    :part="part"
    :sticks="sticks"
    @shown="picture = $event"
  />
  <ChangingLine
    v-else-if="task === 'change'"
    ref="here"
    :exercise="exercise"
    :sticks="sticks"
    @shown="picture = $event"
  />
  <WriteLine
    v-else-if="task === 'write'"
    ref="here"
    :section="section"
    :today="today"
    :exercise="exercise"
    :part="part"
    :name="offer?.name ?? exercise.due"
    :svg="svg"
    @hear="emit('hear')"
  />
  <TapLine
    v-else-if="task === 'tap'"
    ref="here"
    :exercise="exercise"
    :part="part"
    @marked="missed = $event"
  />
</template>
