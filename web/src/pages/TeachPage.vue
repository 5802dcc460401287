<script setup lang="ts">
// In front of the class: one activity, what comes next, whom to hear. Nothing else.
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { outbox, settled, tell } from '@/api/outbox'
import { useHearing, useLate, useLesson } from '@/api/lessons'
import { useMe } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { device } from '@/composables/useDevice'
import { teaches } from '@/composables/roles'
import { useKeys } from '@/composables/useKeys'
import { play } from '@/composables/useSound'
import { useTrail } from '@/composables/useTrail'
import ActivityFace from '@/features/teach/ActivityFace.vue'
import ExerciseFace from '@/features/teach/ExerciseFace.vue'
import FarScreen from '@/features/teach/FarScreen.vue'
import HearingMore, { type Mode } from '@/features/teach/HearingMore.vue'
import HearingPanel from '@/features/teach/HearingPanel.vue'
import { lessonNow, partNow } from '@/features/teach/lessonNow'
import LessonEnd from '@/features/teach/LessonEnd.vue'
import RoomNote from '@/features/teach/RoomNote.vue'
import TeachBar from '@/features/teach/TeachBar.vue'
import TeachControls from '@/features/teach/TeachControls.vue'
import { useClock } from '@/features/teach/useClock'
import { usePace } from '@/features/teach/usePace'
import { usePartExercise } from '@/features/teach/usePartExercise'
import { useParts } from '@/features/teach/useParts'
import { ALL, type Look, startOf, useProjectorLink } from '@/features/teach/useProjector'
import { type Broke, MOST_TOGETHER, useQueue } from '@/features/teach/useQueue'
import { say } from '@/locales/say'

const props = defineProps<{ id: string }>()
const router = useRouter()
const lesson = useLesson(() => props.id)
const me = useMe()
/** Whoever stands in has no other pages. */
const way = (to: string) => (teaches(me.data.value?.role) ? { to } : {})
const found = computed(() => lesson.data.value && lessonNow(lesson.data.value, outbox.kept.value))
useTrail(() =>
  found.value
    ? [
        { says: found.value.section.name, ...way(`/sections/${found.value.section.id}`) },
        { says: say('lesson-title', { n: found.value.number }), ...way(`/lessons/${props.id}`) },
        { says: say('today-teach') },
      ]
    : [],
)
const { parts, part, next, at, ending, go, longer, swap, bring, calm } = useParts(
  () => props.id,
  () => found.value?.parts ?? [],
)
const clock = useClock(
  () => lesson.data.value,
  () => part.value,
)

// Whom to hear, and in what.
const instead = ref('')
const order = ref<'rota' | 'seats'>('rota')
const help = ref<'' | 'none' | 'model' | 'signs'>('')
const mode = ref<Mode>('')
const ways = ref(false)
function openWays() {
  ways.value = !ways.value
  mode.value = ''
}
const hearing = useHearing(
  () => props.id,
  () => part.value?.id ?? '',
  () => ({ concept: instead.value, order: order.value }),
)
const section = () => found.value?.section.id ?? ''
const queue = useQueue(
  section,
  () => props.id,
  () => part.value?.id ?? '',
  hearing.data,
  () => help.value,
)
const { four, then, current, together, picked, size, done, everybody, give, undo, locate } = queue
const pace = usePace(done)
const read = usePartExercise(
  () => props.id,
  section,
  () => part.value,
)
const said = computed(
  () => new Map((hearing.data.value?.roll ?? []).map((one) => [one.child_id, one.say])),
)
/** For whom the part goes otherwise; who that is only where names may be seen. */
const otherwise = computed(() =>
  (hearing.data.value?.kept_out ?? []).map((one) => {
    const mine = hearing.data.value?.roll.filter((child) => one.children.includes(child.child_id))
    const who = names.value ? mine?.map((child) => child.name).join(', ') : ''
    return say('teach-otherwise', {
      who: who || say('teach-children', { n: one.children.length }),
      how: one.says,
    })
  }),
)
const given = computed(() => {
  const key = hearing.data.value?.concept?.key
  const ids = (hearing.data.value?.marks ?? [])
    .filter((one) => one.part_id === part.value?.id && one.concept === key)
    .map((one) => one.id)
  const own = done.value.flatMap((one) => (one.heard?.concept === key ? [one.event] : []))
  return new Set([...ids, ...own]).size
})
async function move(concept: string) {
  const key = hearing.data.value?.concept?.key
  const marks = (hearing.data.value?.marks ?? []).filter(
    (one) => one.part_id === part.value?.id && one.concept === key,
  )
  await queue.move(marks, concept)
  instead.value = concept
  await settled()
  await hearing.refetch()
}
const HELPS = ['none', 'model', 'signs'] as const
function otherHelp() {
  const now = help.value || (hearing.data.value?.help ?? 'none')
  help.value = HELPS[(HELPS.indexOf(now) + 1) % HELPS.length] ?? 'none'
}
watch(
  () => part.value?.id,
  () => {
    instead.value = ''
    help.value = ''
    size.value = 1
    mode.value = ''
    ways.value = false
  },
)

// Screens.
const held = ref(false)
const look = ref<Look>(ALL)
const pairing = ref(false)
const projector = useProjectorLink(
  () => props.id,
  () => part.value?.id ?? '',
  () => look.value,
)
const names = computed(() => device.mine || held.value || projector.open.value)
watch(
  () => part.value?.id,
  () => {
    const first = part.value?.song?.first ?? null
    look.value = first === null ? ALL : { part: first, alone: true }
  },
  { immediate: true },
)
watch([read.exercise, read.at], ([one, at]) => {
  const reads = part.value?.reads || 'line'
  const exercise = one ? { id: one.id, parts: one.parts.length, reads, at } : undefined
  look.value = { ...look.value, exercise }
})
watch([() => part.value?.id, look], () => projector.tell())
/** Each part of the score in turn, then all of them again. */
function lookOn() {
  const all = part.value?.song?.parts.length ?? 0
  const next = (look.value.part ?? 0) + 1
  look.value = next > all ? ALL : { ...look.value, part: next }
}
/** What the class is asked, and then what it is called. */
const waits = computed(() => !!part.value?.wall.waits && !part.value.song && !part.value.piece)
function reveal() {
  if (waits.value) look.value = { ...look.value, open: !look.value.open }
}
const release = () => (held.value = false)
onMounted(() => window.addEventListener('blur', release))
onUnmounted(() => window.removeEventListener('blur', release))

function tick(how: 'done' | 'partly' | 'skipped') {
  if (!part.value) return
  void tell({
    kind: 'ticked',
    section_id: section(),
    lesson_id: props.id,
    part_id: part.value.id,
    tick: how,
    part: partNow(part.value),
  })
  go(1)
}
function rate(id: string, rating: 'well' | 'flat', note = '') {
  void tell({
    kind: 'rated',
    section_id: section(),
    lesson_id: props.id,
    part_id: id,
    rating,
    note,
  })
}
/** Done, and how it went, in one press. */
function doneAnd(rating: 'well' | 'flat') {
  const id = part.value?.id
  tick('done')
  if (id) rate(id, rating)
}
/** Too few minutes for what is planned: offered, never done by itself; said again when it has changed. */
const late = useLate(() => (found.value?.state === 'running' ? props.id : ''))
const kept = ref('')
const tooLate = computed(() => {
  const read = late.data.value
  return read?.says && read.without.join() !== kept.value ? read : undefined
})
async function leaveOut() {
  const gone = parts.value.filter((one) => tooLate.value?.without.includes(one.id) && !one.tick)
  const here = { section_id: section(), lesson_id: props.id }
  await tell(
    ...gone.map((one) => ({
      kind: 'ticked' as const,
      ...here,
      part_id: one.id,
      tick: 'skipped' as const,
      part: partNow(one),
    })),
  )
  await settled()
  await late.refetch()
  if (part.value?.tick) go(1)
}
const leaving = ref(false)
async function end(note: string) {
  leaving.value = true
  const at = { section_id: section(), lesson_id: props.id }
  const said = note.trim() ? [{ kind: 'noted' as const, ...at, note: note.trim() }] : []
  if (await tell(...said, { kind: 'ended', ...at })) await settled()
  leaving.value = false
  await router.push(`/lessons/${props.id}`)
}
const broke = (strand: Broke) => hearing.data.value?.breaks.includes(strand) && locate(strand)
function project() {
  window.open(`/lessons/${props.id}/projector`, 'kopje-projector')
}
const noting = ref(false)
const song = computed(() => part.value?.song)
const starting = computed(() => song.value && startOf(song.value, look.value))
const home = computed(() => song.value?.tonic ?? read.exercise.value?.tonic)
const open = (what: Mode) => {
  mode.value = mode.value === what ? '' : what
}
const more = () => (size.value = size.value === MOST_TOGETHER ? 1 : size.value + 1)
const turn = () => (order.value = order.value === 'rota' ? 'seats' : 'rota')
useKeys([
  { key: '3', says: say('keys-secure'), act: () => void give('secure') },
  { key: '2', says: say('keys-nearly'), act: () => void give('nearly') },
  { key: '1', says: say('keys-not-yet'), act: () => void give('not_yet') },
  { key: '0', says: say('keys-absent'), act: () => void give('absent') },
  { key: '9', says: say('keys-passes'), act: () => void give('passed') },
  { key: 't', says: say('keys-broke-tones'), act: () => void broke('pitch') },
  { key: 'r', says: say('keys-broke-rhythm'), act: () => void broke('rhythm') },
  { key: 'v', says: say('keys-broke-part'), act: () => void broke('parts') },
  { key: 'Backspace', says: say('keys-undo'), act: () => void undo() },
  { key: 'm', says: say('more-away'), act: () => open('away') },
  { key: 'c', says: say('more-find'), act: () => open('find') },
  { key: 'a', says: say('more-all'), act: () => open('all') },
  { key: 'g', says: say('more-game'), act: () => open('game') },
  { key: 'j', says: say('more-class'), act: () => open('class') },
  { key: 'k', says: say('more-hands'), act: () => open('hands') },
  { key: 'e', says: say('more-other'), act: () => open('other') },
  { key: 'y', says: say('more-title'), act: openWays },
  { key: 'u', says: say('keys-size'), act: more },
  { key: 'i', says: say('more-help'), act: otherHelp },
  { key: 'b', says: say('keys-order'), act: turn },
  { key: 'Escape', says: say('keys-shut'), act: () => (mode.value = '') },
  { key: 'ArrowRight', says: say('keys-next'), act: () => go(1) },
  { key: 'ArrowLeft', says: say('keys-previous'), act: () => go(-1) },
  { key: 'd', says: say('keys-done'), act: () => tick('done') },
  { key: 'h', says: say('keys-partly'), act: () => tick('partly') },
  { key: 'w', says: say('keys-well'), act: () => doneAnd('well') },
  { key: 'f', says: say('keys-flat'), act: () => doneAnd('flat') },
  { key: 's', says: say('keys-skip'), act: () => tick('skipped') },
  { key: '+', says: say('keys-longer'), act: longer },
  { key: 'x', says: say('keys-swap'), act: () => void swap() },
  { key: 'q', says: say('keys-calm'), act: () => calm.value && bring(calm.value.id) },
  { key: ',', says: say('keys-note'), act: () => (noting.value = !noting.value) },
  {
    key: 'p',
    says: say('keys-pitch'),
    act: () => starting.value && play([starting.value.midi], 1.6),
  },
  {
    key: 'o',
    says: say('keys-tonic'),
    act: () => home.value && play(home.value.map((tone) => tone.midi)),
  },
  { key: 'l', says: say('keys-look'), act: lookOn },
  { key: '.', says: say('practice-new'), act: () => void read.fresh() },
  { key: ' ', says: say('cards-next'), act: read.step },
  { key: 'z', says: say('keys-reveal'), act: reveal },
  { key: 'n', says: say('keys-names'), act: () => (held.value = true), up: release },
])
</script>

<template>
  <PageState v-if="!found" :error="lesson.error.value" @again="lesson.refetch()" />
  <div v-else class="teach">
    <TeachBar
      :parts="parts"
      :at="at"
      :left="clock.left.value"
      :part-left="clock.partLeft.value"
      :share="clock.share.value"
      :running="found.state === 'running'"
      :pairing="pairing"
      @longer="longer"
      @project="project"
      @pair="pairing = !pairing"
    />
    <FarScreen v-model="pairing" :lesson="id" :part="part?.id ?? ''" :look="look" />
    <p v-if="tooLate && !ending" class="late row" role="status">
      <strong>{{ tooLate.says }}</strong>
      <v-btn size="small" height="44" @click="leaveOut">{{ say('teach-leave-out') }}</v-btn><v-btn
        size="small"
        height="44"
        @click="kept = tooLate.without.join()"
        >{{ say('teach-keep-all') }}</v-btn
      >
    </p>
    <LessonEnd
      v-if="ending"
      :parts="parts"
      :busy="leaving"
      :note="found.note"
      @end="end"
      @back="go(-1)"
      @rate="rate"
    />
    <template v-else-if="part">
      <ActivityFace
        :key="part.id"
        v-model:look="look"
        :part="part"
        :otherwise="otherwise"
        :tonic="read.exercise.value?.tonic"
        class="upper"
      >
        <ExerciseFace
          :exercise="read.exercise.value"
          :reads="part.reads"
          :at="read.at.value"
          :told="read.told.value"
          :busy="read.busy.value"
          :refused="read.refused.value"
          @fresh="read.fresh"
          @step="read.step"
          @tell="read.tellIt"
        />
      </ActivityFace>
      <div class="lower">
        <p v-if="outbox.full.value" class="wrong small" role="alert">△ {{ say('outbox-full') }}</p>
        <HearingPanel
          v-if="hearing.data.value"
          v-model:held="held"
          :hearing="hearing.data.value"
          :four="four"
          :then="then"
          :current="current"
          :together="together"
          :done="done"
          :names="names"
          :pace="pace"
          :help="help"
          :said="said"
          :hides="!device.mine && !projector.open.value"
          :busy="['all', 'away', 'game', 'class', 'hands', 'other'].includes(mode)"
          @pick="picked = $event"
          @give="give"
          @undo="undo"
          @locate="locate"
        >
          <template #more
            ><v-btn size="small" height="44" :aria-expanded="ways" @click="openWays"
              >{{ say('more-title') }} <span class="kbd">y</span></v-btn
            ></template
          >
          <HearingMore
            v-model="mode"
            :shown="ways"
            :hearing="hearing.data.value"
            :waiting="everybody"
            :names="names"
            :section="found.section.id"
            :lesson="id"
            :part="part.id"
            :instead="instead"
            :order="order"
            :size="size"
            :given="given"
            @pick="picked = $event"
            @give="give"
            @all="queue.giveAll"
            @ask="instead = $event"
            @order="order = $event"
            @size="size = $event"
            @help="otherHelp"
            @move="move"
          />
        </HearingPanel>
        <RoomNote
          v-if="noting"
          v-model="noting"
          :section="found.section.id"
          :lesson="id"
          :note="found.note"
        />
        <TeachControls
          :part="part"
          :next="next"
          :calm="calm"
          :waits="waits"
          :open="look.open ?? false"
          @reveal="reveal"
          @go="go"
          @tick="tick"
          @swap="swap"
          @calm="calm && bring(calm.id)"
          @note="noting = !noting"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.teach {
  display: flex;
  flex-direction: column;
  height: 100%;
  padding: 10px 24px 12px;
  gap: 10px;
}
.late {
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
  gap: 12px;
}
.upper {
  flex: 1;
  overflow: auto;
}
.lower {
  display: grid;
  gap: 10px;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
@media (max-width: 900px) {
  .teach {
    height: auto;
    min-height: 100%;
    padding: 10px 14px;
  }
  .upper {
    flex: none;
    overflow: visible;
  }
}
</style>
