<script setup lang="ts">
// Writing what is heard, by keys: a rhythm figure by figure into beat boxes, a melody tone by tone over its rhythm. In stages: the
// line is seen and copied, every second bar stands there, by ear alone.
import { computed, ref, watch } from 'vue'
import { checkWritten, type Checked, dictationOf, type Dictation, type Stage } from '@/api/lines'
import type { Exercise } from '@/api/practice'
import ChoiceRow from '@/components/ChoiceRow.vue'
import ScoreView from '@/components/ScoreView.vue'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import { choices, say, sayOf } from '@/locales/say'
import CountIt from './CountIt.vue'
import { entered, removed, room } from './writing'
import WrittenBars from './WrittenBars.vue'

const props = defineProps<{
  section: string
  today: string
  exercise: Exercise
  part: number
  name: string
  /** The line as it is, for copying and once it is checked. */
  svg: string
}>()
const emit = defineEmits<{ hear: [] }>()
const stage = ref<Stage>('write')
const task = ref<Dictation | null>(null)
const bars = ref<string[][]>([])
const found = ref<Checked | null>(null)
const { refused, busy, keep } = useKeep()
watch(
  () => [props.exercise.id, props.part, stage.value],
  () =>
    keep(async () => {
      task.value = null // nothing is written into what was before
      task.value = await dictationOf(props.exercise.id, stage.value, props.part)
      bars.value = task.value.bars.map((bar) => [...bar.given])
      found.value = null
    }),
  { immediate: true },
)
const place = computed(() => (task.value ? room(task.value, bars.value) : null))
const fits = (n: number) => {
  const one = task.value?.choices[n]
  if (!one || !place.value) return false
  return !one.lengths.length || one.lengths.reduce((a, b) => a + b, 0) <= place.value.left
}
function choose(n: number) {
  const one = task.value?.choices[n]
  if (!task.value || !one || found.value || !fits(n)) return
  bars.value = entered(task.value, bars.value, one.value)
}
function takeBack() {
  if (task.value && !found.value) bars.value = removed(task.value, bars.value)
}
async function check() {
  if (busy.value || place.value || found.value) return
  await keep(async () => {
    found.value = await checkWritten(props.exercise.id, stage.value, props.part, bars.value)
  })
}
const seen = computed(() => stage.value === 'copy' || found.value !== null)
useKeys([
  ...Array.from({ length: 9 }, (_, n) => ({
    key: String(n + 1),
    says: n ? '' : say('write-key'),
    act: () => choose(n),
  })),
  { key: 'Backspace', says: say('write-back'), act: takeBack },
  { key: 'c', says: say('write-check'), act: () => void check() },
])
const on = () => emit('hear')
defineExpose({ on })
</script>

<template>
  <section class="write" :aria-label="say('write-title')">
    <div class="row">
      <ChoiceRow
        v-model="stage"
        :label="say('write-stage')"
        :items="choices('write-stages', ['copy', 'complete', 'write'])"
      />
      <v-btn class="main" @click="on()"
        >♪ {{ say('round-hear') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <span class="small quiet">{{ sayOf('write-how', stage) }}</span>
    </div>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <ScoreView v-if="seen && svg" :svg="svg" :label="exercise.title" />
    <template v-if="task">
      <WrittenBars :task="task" :bars="bars" :place="place" :found="found" />
      <div class="row choices" role="group" :aria-label="say('write-choose')">
        <v-btn
          v-for="(one, n) in task.choices"
          :key="one.value"
          :disabled="found !== null || !fits(n)"
          @click="choose(n)"
        >
          <span v-if="n < 9" class="kbd">{{ n + 1 }}</span>
          <svg v-if="one.lengths.length" viewBox="0 0 60 20" aria-hidden="true" class="glyph">
            <rect
              v-for="(length, k) in one.lengths"
              :key="k"
              :x="
                (60 * one.lengths.slice(0, k).reduce((a, b) => a + b, 0)) /
                  one.lengths.reduce((a, b) => a + b, 0) +
                2
              "
              y="6"
              :width="Math.max((60 * length) / one.lengths.reduce((a, b) => a + b, 0) - 4, 3)"
              height="8"
              rx="4"
              :class="{ silent: one.rests[k] }"
            />
          </svg>
          {{ one.says }}</v-btn
        >
      </div>
      <div class="row">
        <v-btn v-if="!found" size="small" @click="takeBack()"
          >{{ say('write-back') }} <span class="kbd">⌫</span></v-btn
        >
        <v-btn v-if="!found" class="main" :disabled="place !== null || busy" @click="check()"
          >{{ say('write-check') }} <span class="kbd">c</span></v-btn
        >
        <template v-else>
          <p role="status">
            <strong>{{ say('write-right', { right: found.right, of: found.of }) }}</strong>
            {{ say(task.pitched ? 'write-right-tones' : 'write-right-beats') }}
          </p>
          <CountIt
            v-if="stage !== 'copy'"
            :section="section"
            :today="today"
            :concept="exercise.due"
            :name="name"
            way="write"
            :help="found.help"
            :result="found.result"
          />
        </template>
      </div>
    </template>
  </section>
</template>

<style scoped>
.write {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 6px 0;
}
.choices {
  gap: 8px;
}
.choices .kbd {
  margin-right: 6px;
}
.glyph {
  width: 48px;
  height: 18px;
  margin: 0 6px;
}
.glyph rect {
  fill: currentcolor;
}
.glyph .silent {
  fill: none;
  stroke: currentcolor;
  stroke-dasharray: 2 2;
}
p {
  margin: 0;
}
</style>
