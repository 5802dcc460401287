<script setup lang="ts">
// Reading: the next exercise for this class, unseen, at its level; the routine by one key; the least help after an error.
import { computed, ref, shallowRef, watch } from 'vue'
import {
  type Exercise,
  type Offer,
  type PaperForm,
  type Practice,
  printedSet,
  readAgain,
  type Routine,
  setRoutine,
  takeReadBack,
  tellRead,
  useExerciseScore,
  type Wish,
} from '@/api/practice'
import ChoiceRow from '@/components/ChoiceRow.vue'
import ScoreView from '@/components/ScoreView.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import { device } from '@/composables/useDevice'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import AfterError from '@/features/practice/AfterError.vue'
import KeepExercise from '@/features/practice/KeepExercise.vue'
import PaperPanel from '@/features/practice/PaperPanel.vue'
import ReadingActs from '@/features/practice/ReadingActs.vue'
import RoutineForm from '@/features/practice/RoutineForm.vue'
import RoutineSteps from '@/features/practice/RoutineSteps.vue'
import { useAhead } from '@/features/practice/useAhead'
import { useReading } from '@/features/practice/useReading'
import { useExerciseSound } from '@/features/practice/useExerciseSound'
import { NO_TASK, type OnTask, type OnWall } from '@/features/practice/useWall'
import BeatBoxes from '@/features/practice/BeatBoxes.vue'
import StaffChoice, { type Written } from '@/features/practice/StaffChoice.vue'
import TakeRound from '@/features/practice/TakeRound.vue'
import { type Form, formsOf, plainWish } from '@/features/practice/tasks'
import TaskView from '@/features/practice/TaskView.vue'
import WeakPlaces from '@/features/practice/WeakPlaces.vue'
import { choices, say, sayOf } from '@/locales/say'

const props = defineProps<{
  id: string
  practice: Practice
  /** What was picked in the list. */
  offer: Offer | undefined
  today: string
}>()
const emit = defineEmits<{
  moved: [to: { sort: Offer['sort']; due: string }]
  wall: [on: OnWall]
}>()
/** A rhythm has no home to find, and nothing to hear inside. */
const steps = computed(() =>
  props.practice.routine.steps.filter(
    (one) => reading.exercise.value?.do !== null || !['orient', 'inside'].includes(one),
  ),
)
const reading = useReading(
  () => steps.value,
  () => props.practice.routine.look,
)
const { exercise, at, most, shown, modelled, broke, place, given, told, left, step } = reading
const part = ref(0)
const changed = ref('')
const drawer = ref<'' | 'weak' | 'routine' | 'paper'>('')
const { refused, busy, keep } = useKeep()
const wish = ref<Wish | null>(null)
const last = ref<string[]>([]) // ids of what was told here, newest last
watch(
  () => props.id,
  () => {
    exercise.value = null
    wish.value = null
  },
)

const asks = useAhead()
async function make(asked: Wish['change'] = 'same') {
  const from = wish.value ?? (props.offer && plainWish(props.offer))
  if (!from || busy.value) return
  await keep(async () => {
    const found = await asks.next(props.id, { ...from, change: asked })
    wish.value = { ...(found.wish as unknown as Wish), change: 'same' }
    emit('moved', found)
    changed.value = found.change
      ? say(asked === 'harder' ? 'practice-harder-by' : 'practice-easier-by', {
          what: sayOf('practice-change', found.change),
        })
      : ''
    part.value = 0
    reading.begin(found)
  })
}
/** Picked in the list: made at once. */
function pick(one: Offer) {
  wish.value = plainWish(one)
  void make()
}
defineExpose({ pick })

const written = ref<Written>({ rhythm: 'notes', staff: 'usual', place: 0, overNote: false })
/** A clef, or lines with do at its place. */
function staffOf({ staff, place: at }: Written) {
  if (staff === 'usual') return {}
  return staff === 'bass' ? { clef: 'F' as const } : { lines: Number(staff), place: at }
}
/** As large as the sheet holds: several staves are high, a short line is one line. */
const widthOf = (one: Exercise | null) => {
  if (one && one.parts.length > 1) return one.parts.length > 2 ? 2000 : 1600
  return (one?.sounds[0]?.length ?? 0) > 18 ? 1300 : 1050
}
const look = computed(() => ({
  part: part.value,
  shown: shown.value,
  rhythm: step.value === 'chant',
  width: widthOf(exercise.value),
  sticks: written.value.rhythm === 'sticks',
  over_note: written.value.overNote,
  ...staffOf(written.value),
}))
const score = useExerciseScore(() => exercise.value?.id ?? '', look)
const sound = useExerciseSound(
  () => exercise.value,
  () => part.value,
)
const { sounds, midiOf } = sound
const move = computed(() => (place.value ? sound.moveTo(place.value.note) : null))
const orient = () => sound.orient(props.practice.routine.orientation)
/** Playing it is help, and is written down as such. */
function model() {
  modelled.value = modelled.value || !broke.value
  sound.line()
}
function pressed(note: number) {
  if (!broke.value) return
  const found = sounds.value.find((one) => one.note === note)
  if (found) place.value = { bar: found.bar, note }
}
function give(one: (typeof given.value)[number]) {
  if (!given.value.includes(one)) given.value = [...given.value, one]
  if (place.value) sound.help(one, place.value.note)
}

async function tellIt(clean: boolean, helped: (typeof given.value)[number] | null = null) {
  const now = exercise.value
  if (!now || told.value || task.value) return
  const models = props.practice.routine.models // sung along is help
  const ids = await tellRead(props.id, props.today, {
    ...{ exercise: now.id, clean, shown: most.value, modelled: modelled.value || models },
    ...{ again: step.value === 'again', part: part.value },
    ...(place.value ?? {}),
    ...(helped ? { helped } : {}),
  })
  if (ids === false) return
  last.value = [...last.value, ...ids]
  told.value = clean ? 'clean' : 'broke'
  broke.value = false
}
function wrong() {
  if (told.value || !exercise.value || task.value) return
  broke.value = true
  place.value = null
  given.value = []
}
async function back() {
  if (task.value) return
  if (broke.value) {
    broke.value = false
    return
  }
  const id = last.value.at(-1)
  if (!id) return
  await takeReadBack(props.id, id)
  last.value = last.value.slice(0, -1)
  told.value = ''
}
async function next() {
  if (broke.value) await tellIt(false)
  await make()
}
/** Read from notes; all others are tasks of their own, not readings. */
const form = ref<Form>('read')
const forms = computed(() => formsOf(exercise.value))
const task = computed(() => (form.value === 'read' ? null : form.value))
const doing = ref<InstanceType<typeof TaskView>>()
const shownOfTask = shallowRef<OnTask>(NO_TASK)
watch([() => exercise.value?.id, form], () => {
  if (!forms.value.includes(form.value)) form.value = 'read'
  if (form.value === 'read') shownOfTask.value = NO_TASK
})
function on() {
  if (!exercise.value) void make()
  else if (task.value) doing.value?.on()
  else reading.on()
}
const onWall = computed<OnWall>(() => ({
  // Never the answer with the task.
  exercise: task.value && !shownOfTask.value.score ? '' : (exercise.value?.id ?? ''),
  look: { ...look.value, width: (exercise.value?.parts.length ?? 1) > 1 ? 1400 : 850 },
  step: step.value,
  left: left.value,
  face: null,
  boxes:
    !task.value && written.value.rhythm === 'boxes' && !exercise.value?.do ? exercise.value : null,
  task: shownOfTask.value,
}))
watch(onWall, (now) => emit('wall', now), { immediate: true, deep: true })
useKeys([
  { key: ' ', says: say('practice-key-on'), act: on },
  { key: 'n', says: say('practice-new'), act: () => void next() },
  { key: '+', says: say('practice-harder'), act: () => void make('harder') },
  { key: '-', says: say('practice-easier'), act: () => void make('easier') },
  { key: 'x', says: say('cards-mix'), act: () => doing.value?.mix() },
  { key: 's', says: say('practice-syllables'), act: () => reading.show(1) },
  { key: 't', says: say('keys-tonic'), act: orient },
  { key: '3', says: say('practice-clean'), act: () => void tellIt(true) },
  { key: '1', says: say('practice-broke'), act: wrong },
  { key: 'Backspace', says: say('practice-back'), act: () => void back() },
])
async function print(count: number, as: PaperForm) {
  const from = wish.value ?? (props.offer && plainWish(props.offer))
  if (!from) return
  await keep(async () => {
    const pdf = await printedSet(props.id, { ...from, change: 'same' }, count, as, device.paper)
    window.open(URL.createObjectURL(pdf))
    await readAgain()
  })
}
/** A device of its own for one child: lines of this kind, read alone. */
function openStation() {
  if (!props.offer) return
  const { sort, due } = props.offer
  const asked = new URLSearchParams({ sort, due, look: String(props.practice.routine.look) })
  window.open(`/sections/${props.id}/station?${asked.toString()}`, 'kopje-station')
}
const keepRoutine = (routine: Routine) => void keep(() => setRoutine(props.id, routine))
</script>

<template>
  <div class="page">
    <slot />
    <ChoiceRow
      v-if="exercise"
      v-model="form"
      :label="say('practice-form')"
      :items="choices('practice-form', forms)"
    />
    <RoutineSteps v-if="form === 'read'" :steps="steps" :at="at" :left="left" @go="reading.go" />
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <section v-if="exercise" class="sheet">
      <header class="row spread">
        <h2>{{ exercise.title }}</h2>
        <span class="small quiet"
          >{{ exercise.meter
          }}<template v-if="exercise.do">{{
            say('practice-do', { do: exercise.do.replace('b', '♭') })
          }}</template
          >{{ changed ? ` · ${changed}` : '' }}</span
        >
      </header>
      <TaskView
        v-if="task"
        ref="doing"
        :exercise="exercise"
        :offer="offer"
        :part="part"
        :task="task"
        :section="id"
        :today="today"
        :calls="practice.routine.calls"
        :svg="score.data.value ?? ''"
        :sticks="look.sticks"
        @call="sound.call"
        @hear="sound.line()"
        @wall="shownOfTask = $event"
      />
      <BeatBoxes
        v-else-if="!exercise.do && written.rhythm === 'boxes'"
        :exercise="exercise"
        :label="exercise.title"
      />
      <ScoreView
        v-else-if="score.data.value"
        :svg="score.data.value"
        :label="exercise.title"
        :marked="place ? [place.note] : []"
        @note="pressed"
      />
      <StaffChoice
        v-if="!task"
        :pitched="exercise.do !== null"
        :written="written"
        @change="written = $event"
      />
      <div v-if="exercise.parts.length > 1" class="row small">
        <v-btn
          v-for="(name, n) in exercise.parts"
          :key="name"
          size="small"
          :class="{ main: n === part }"
          :aria-pressed="n === part"
          @click="part = n"
          >{{ name }}</v-btn
        >
      </div>
    </section>
    <section v-else class="sheet begin">
      <p>{{ offer?.name }}</p>
      <v-btn class="main" :disabled="busy" @click="make()">{{ say('practice-begin') }}</v-btn>
    </section>
    <template v-if="exercise">
      <ReadingActs
        v-if="task || !broke"
        :reading="!task"
        :told="told"
        :busy="busy"
        @on="on()"
        @clean="tellIt(true)"
        @broke="wrong()"
        @next="next()"
        @change="make"
      />
      <AfterError
        v-else
        :place="place"
        :move="move"
        :given="given"
        :helps="practice.helps"
        @give="give"
        @helped="tellIt(false, $event)"
      />
      <div class="row acts small">
        <v-btn v-if="exercise.tonic.length" size="small" @click="orient()"
          >♪ {{ say('practice-orient') }} <span class="kbd">t</span></v-btn
        >
        <v-btn v-if="!task" size="small" @click="reading.show(1)"
          >{{ sayOf('practice-shown', shown) }} <span class="kbd">s</span></v-btn
        >
        <v-btn v-if="!task" size="small" @click="model()">{{ say('practice-model') }}</v-btn>
        <v-btn v-if="last.length && !task" size="small" @click="back()">{{
          say('practice-back')
        }}</v-btn>
        <KeepExercise v-if="!exercise.song_id" :exercise="exercise" />
      </div>
      <p v-if="offer" class="small advice" role="status">
        <strong>{{ sayOf('practice-advice', offer.advice) }}</strong> {{ offer.why }}
        {{ exercise.reasons.map((one) => one.sentence).join(' ') }}
        <template v-if="offer.read && offer.help !== 'none'">{{
          sayOf('practice-help-now', offer.help)
        }}</template>
      </p>
    </template>
    <footer class="row small">
      <v-btn size="small" :aria-pressed="drawer === 'weak'" @click="drawer = 'weak'">{{
        say('practice-weak')
      }}</v-btn>
      <v-btn size="small" :aria-pressed="drawer === 'routine'" @click="drawer = 'routine'">{{
        say('practice-routine-set')
      }}</v-btn>
      <v-btn size="small" :aria-pressed="drawer === 'paper'" @click="drawer = 'paper'">{{
        say('practice-paper')
      }}</v-btn>
      <v-btn v-if="offer" size="small" @click="openStation()">{{
        say('round-station-open')
      }}</v-btn>
    </footer>
    <TakeRound
      v-if="practice.station?.last && practice.station.concept"
      :section="id"
      :today="today"
      :standings="practice.station"
    />
  </div>
  <SideDrawer v-if="drawer === 'weak'" :title="say('practice-weak')" @close="drawer = ''">
    <WeakPlaces :weak="practice.weak" :warm-up="practice.warm_up" :midi="midiOf" />
  </SideDrawer>
  <SideDrawer
    v-else-if="drawer === 'routine'"
    :title="say('practice-routine')"
    @close="drawer = ''"
  >
    <RoutineForm :routine="practice.routine" @change="keepRoutine" />
  </SideDrawer>
  <SideDrawer v-else-if="drawer === 'paper'" :title="say('practice-paper')" @close="drawer = ''">
    <PaperPanel :exercise="exercise" :busy="busy" @print="print" />
  </SideDrawer>
</template>

<style scoped>
.page {
  flex: 1;
  min-width: 0;
  gap: 10px;
}
.sheet {
  background: var(--sheet);
  border: 1px solid var(--line);
  padding: 10px 16px;
}
.begin {
  min-height: 220px;
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: center;
  justify-content: center;
}
.begin p {
  font-size: 28px;
  margin: 0;
}
.acts {
  gap: 8px;
}
.advice {
  margin: 0;
}
</style>
