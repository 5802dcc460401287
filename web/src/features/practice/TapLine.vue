<script setup lang="ts">
// A line tapped on the space key or on the pad: each onset early, late or missed; slow practice, some bars round and round.
import { computed, onUnmounted, ref, watch } from 'vue'
import { type Exercise, judgeTaps, measureDelay, type Tapped } from '@/api/practice'
import { device } from '@/composables/useDevice'
import { useKeep } from '@/composables/useKeep'
import { silence, tones } from '@/composables/useSound'
import { choices, say, sayOf } from '@/locales/say'

const props = defineProps<{ exercise: Exercise; part: number }>()
const emit = defineEmits<{ marked: [notes: number[]] }>()
const CLICKS = 12
const SIGNS = { on: '✓', early: '‹', late: '›', missed: '✗' } as const
const tempo = ref(80)
const swing = ref<'straight' | 'light' | 'full'>('straight')
const clicking = ref(false)
const loop = ref(false)
const first = ref(1)
const last = ref(props.exercise.bars)
const state = ref<'' | 'counting' | 'tapping' | 'measuring'>('')
const result = ref<Tapped | null>(null)
const measured = ref('')
const { refused, keep } = useKeep()
let zero = 0
let taps: number[] = []
let timer = 0
const beats = computed(() => Number(props.exercise.meter.split('/')[0]))
const beat = computed(() => 60_000 / tempo.value)
watch(
  () => props.exercise.id,
  () => {
    stop()
    first.value = 1
    last.value = props.exercise.bars
  },
)
function stop() {
  window.clearTimeout(timer)
  silence()
  state.value = ''
  result.value = null
  emit('marked', [])
}
/** A bar is counted in; from its end on taps count. */
function start() {
  stop()
  const bars = last.value - first.value + 1
  const length = (clicking.value ? bars + 1 : 1) * beats.value
  const plan = Array.from({ length }, (_, n) => ({
    ...{ at: (n * beat.value) / 1000, seconds: 0.05, midi: null },
  }))
  taps = []
  const from = tones(plan)
  zero = from + beats.value * beat.value
  state.value = 'counting'
  window.setTimeout(() => state.value === 'counting' && (state.value = 'tapping'), zero - from)
  const over = beats.value * (bars + 1) * beat.value + beat.value / 2
  timer = window.setTimeout(() => void judge(), over)
}
async function judge() {
  state.value = ''
  await keep(async () => {
    result.value = await judgeTaps(props.exercise.id, {
      ...{ times: taps, tempo: tempo.value, delay: device.delay, swing: swing.value },
      ...{ part: props.part, first: first.value, last: last.value },
    })
    emit(
      'marked',
      result.value.onsets.filter((one) => one.timing !== 'on').map((one) => one.note),
    )
  })
  if (loop.value && result.value) timer = window.setTimeout(start, 1500)
}
function measure() {
  stop()
  measured.value = ''
  taps = []
  const plan = Array.from({ length: CLICKS }, (_, n) => ({
    ...{ at: n * 0.6, seconds: 0.05, midi: null },
  }))
  zero = tones(plan)
  state.value = 'measuring'
  timer = window.setTimeout(() => void settle(), CLICKS * 600 + 400)
}
async function settle() {
  state.value = ''
  const clicks = Array.from({ length: CLICKS }, (_, n) => n * 600)
  await keep(async () => {
    device.delay = await measureDelay(clicks, taps)
    measured.value = say('tap-delay-is', { n: device.delay })
  })
}
function tap(event?: Event) {
  if (!state.value) return
  taps = [...taps, Math.round((event?.timeStamp ?? performance.now()) - zero)]
}
/** The space key: it begins, and then it taps. */
function on() {
  if (state.value) tap()
  else start()
}
const bars = computed(() => Array.from({ length: props.exercise.bars }, (_, n) => n + 1))
const share = (value: number | null) => (value === null ? '' : Math.abs(value).toFixed(2))
onUnmounted(stop)
defineExpose({ on })
</script>

<template>
  <section class="tap" :aria-label="say('tap-title')">
    <div class="row">
      <v-btn class="main" size="large" :disabled="state !== ''" @click="start()"
        >{{ say('tap-start') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <v-btn v-if="state" size="large" @click="stop()">{{ say('tap-stop') }}</v-btn>
      <v-btn v-else size="small" @click="measure()">{{ say('tap-measure') }}</v-btn>
      <span v-if="state" role="status">{{ sayOf('tap-state', state) }}</span>
      <span v-else-if="measured" role="status" class="small quiet">{{ measured }}</span>
      <span v-else class="small quiet">{{ say('tap-delay-is', { n: device.delay }) }}</span>
    </div>
    <div v-if="state" class="pad" @pointerdown.prevent="tap($event)">{{ say('tap-pad') }}</div>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <template v-if="result && !state">
      <p role="status">
        <strong>{{ say('tap-right', { n: result.right, of: result.onsets.length }) }}</strong>
        {{ result.extra ? say('tap-extra', { n: result.extra }) : '' }}
        {{
          Math.abs(result.steady) > 60
            ? say(result.steady > 0 ? 'tap-all-late' : 'tap-all-early', {
                n: Math.abs(result.steady),
              })
            : ''
        }}
      </p>
      <ol class="onsets">
        <li v-for="one in result.onsets" :key="one.note" :class="one.timing">
          <span aria-hidden="true">{{ SIGNS[one.timing] }}</span>
          <span class="small">{{ sayOf('tap-timing', one.timing) }}</span>
          <span class="small quiet">{{ share(one.share) }}</span>
        </li>
      </ol>
      <p class="small quiet">{{ say('tap-shares') }}</p>
    </template>
    <div class="row">
      <v-select v-model="tempo" :label="say('tap-tempo')" :items="[50, 60, 70, 80, 90, 100, 120]" />
      <v-select
        v-model="swing"
        :label="say('tap-swing')"
        :items="choices('tap-swings', ['straight', 'light', 'full'])"
      />
      <v-select v-model="first" :label="say('tap-from')" :items="bars.filter((n) => n <= last)" />
      <v-select v-model="last" :label="say('tap-to')" :items="bars.filter((n) => n >= first)" />
      <v-checkbox v-model="clicking" :label="say('tap-clicks')" />
      <v-checkbox v-model="loop" :label="say('tap-loop')" />
    </div>
  </section>
</template>

<style scoped>
.tap {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.row > * {
  flex: 0 1 auto;
}
.row .v-select {
  flex: 0 1 130px;
}
.pad {
  min-height: 110px;
  display: grid;
  place-items: center;
  border: 2px dashed var(--dusk);
  background: var(--sheet);
  touch-action: none;
  user-select: none;
  font-size: 22px;
}
.onsets {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.onsets li {
  display: grid;
  justify-items: center;
  min-width: 52px;
  padding: 4px 6px;
  border: 1px solid var(--line);
  background: var(--sheet);
}
.onsets li:not(.on) {
  border: 2px solid var(--ink);
}
.onsets li span:first-child {
  font-size: 22px;
  font-weight: 650;
}
p {
  margin: 0;
}
</style>
