<script setup lang="ts">
// In front of the class: one activity, what comes next, whom to hear. Nothing else.
import { mdiProjectorScreenOutline } from '@mdi/js'
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { outbox, settled, tell } from '@/api/outbox'
import { useHearing, useLate, useLesson } from '@/api/lessons'
import { useMe } from '@/api/queries'
import LessonContour from '@/components/LessonContour.vue'
import PageState from '@/components/PageState.vue'
import { device } from '@/composables/useDevice'
import { teaches } from '@/composables/roles'
import { useKeys } from '@/composables/useKeys'
import { play } from '@/composables/useSound'
import { useTrail } from '@/composables/useTrail'
import ActivityFace from '@/features/teach/ActivityFace.vue'
import FarScreen from '@/features/teach/FarScreen.vue'
import HearingPanel from '@/features/teach/HearingPanel.vue'
import { lessonNow, partNow } from '@/features/teach/lessonNow'
import LessonEnd from '@/features/teach/LessonEnd.vue'
import { ALL, type Look, startOf, useProjectorLink } from '@/features/teach/useProjector'
import { type Broke, useQueue } from '@/features/teach/useQueue'
import { say, sayOf } from '@/locales/say'

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

const parts = computed(() => found.value?.parts ?? [])
const at = ref(-1)
watch(
  parts,
  (list) => {
    if (at.value < 0 && list.length)
      at.value = Math.max(
        list.findIndex((one) => !one.tick),
        0,
      )
  },
  { immediate: true },
)
const part = computed(() => parts.value[at.value])
const ending = computed(() => at.value >= parts.value.length && parts.value.length > 0)
const hearing = useHearing(
  () => props.id,
  () => part.value?.id ?? '',
)
const section = () => found.value?.section.id ?? ''
const { four, then, current, picked, done, give, undo, locate } = useQueue(
  section,
  () => props.id,
  () => part.value?.id ?? '',
  hearing.data,
)

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
watch([() => part.value?.id, look], () => projector.tell())
/** Each part of the score in turn, then all of them again. */
function lookOn() {
  const all = part.value?.song?.parts.length ?? 0
  const next = (look.value.part ?? 0) + 1
  look.value = next > all ? ALL : { ...look.value, part: next }
}

const now = ref(Date.now())
const clock = window.setInterval(() => (now.value = Date.now()), 10_000)
const release = () => (held.value = false)
onMounted(() => window.addEventListener('blur', release))
onUnmounted(() => {
  window.clearInterval(clock)
  window.removeEventListener('blur', release)
})
const opened = Date.now()
const left = computed(() => {
  const planned = parts.value.slice(at.value).reduce((sum, one) => sum + one.minutes, 0)
  return Math.max(planned - Math.floor((now.value - opened) / 60_000), 0)
})

function go(by: number) {
  at.value = Math.min(Math.max(at.value + by, 0), parts.value.length)
}
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
const song = computed(() => part.value?.song)
const starting = computed(() => song.value && startOf(song.value, look.value))
useKeys([
  { key: '3', says: say('keys-secure'), act: () => void give('secure') },
  { key: '2', says: say('keys-nearly'), act: () => void give('nearly') },
  { key: '1', says: say('keys-not-yet'), act: () => void give('not_yet') },
  { key: '0', says: say('keys-absent'), act: () => void give('absent') },
  { key: 't', says: say('keys-broke-tones'), act: () => void broke('pitch') },
  { key: 'r', says: say('keys-broke-rhythm'), act: () => void broke('rhythm') },
  { key: 'v', says: say('keys-broke-part'), act: () => void broke('parts') },
  { key: 'Backspace', says: say('keys-undo'), act: () => void undo() },
  { key: 'ArrowRight', says: say('keys-next'), act: () => go(1) },
  { key: 'ArrowLeft', says: say('keys-previous'), act: () => go(-1) },
  { key: 'd', says: say('keys-done'), act: () => tick('done') },
  { key: 'h', says: say('keys-partly'), act: () => tick('partly') },
  { key: 'w', says: say('keys-well'), act: () => doneAnd('well') },
  { key: 'f', says: say('keys-flat'), act: () => doneAnd('flat') },
  { key: 's', says: say('keys-skip'), act: () => tick('skipped') },
  {
    key: 'p',
    says: say('keys-pitch'),
    act: () => starting.value && play([starting.value.midi], 1.6),
  },
  {
    key: 'o',
    says: say('keys-tonic'),
    act: () => song.value && play(song.value.tonic.map((tone) => tone.midi)),
  },
  { key: 'l', says: say('keys-look'), act: lookOn },
  { key: 'n', says: say('keys-names'), act: () => (held.value = true), up: release },
])
</script>

<template>
  <PageState v-if="!found" :error="lesson.error.value" @again="lesson.refetch()" />
  <div v-else class="teach">
    <header class="bar">
      <LessonContour :blocks="parts" :height="34" :current="at" class="line" />
      <span class="narrow where"
        >{{ say('teach-of', { n: Math.min(at + 1, parts.length), all: parts.length }) }}<br />{{
          say('teach-left', { n: left })
        }}</span
      >
      <div class="row screens">
        <v-btn size="small" :prepend-icon="mdiProjectorScreenOutline" @click="project">{{
          say('teach-projector')
        }}</v-btn><v-btn size="small" :aria-expanded="pairing" @click="pairing = !pairing">{{
          say('far-other')
        }}</v-btn>
      </div>
    </header>
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
      @end="end"
      @back="go(-1)"
      @rate="rate"
    />
    <template v-else-if="part">
      <ActivityFace :key="part.id" v-model:look="look" :part="part" class="upper" />
      <div class="lower">
        <p v-if="outbox.full.value" class="wrong small" role="alert">△ {{ say('outbox-full') }}</p>
        <HearingPanel
          v-if="hearing.data.value"
          :hearing="hearing.data.value"
          :four="four"
          :then="then"
          :current="current"
          :done="done"
          :names="names"
          @pick="picked = $event"
          @give="give"
          @undo="undo"
          @locate="locate"
        />
        <div class="row spread controls">
          <div class="row">
            <v-btn height="48" @click="go(-1)">← {{ say('teach-previous') }}</v-btn
            ><v-btn height="48" @click="go(1)">{{ say('teach-next') }} →</v-btn>
            <v-btn
              v-if="!device.mine && !projector.open.value"
              size="small"
              class="names"
              @pointerdown="held = true"
              @pointerup="held = false"
              @pointerleave="held = false"
              @keydown.space.prevent="held = true"
              @keyup.space="held = false"
            >
              {{ say('teach-names') }} <span class="kbd">n</span>
            </v-btn>
            <v-checkbox v-model="device.mine" :label="say('teach-mine')" />
          </div>
          <div class="row">
            <span v-if="part.tick" class="tag">{{ sayOf('teach-ticked', part.tick) }}</span>
            <v-btn height="48" @click="tick('skipped')"
              >{{ say('teach-skip') }} <span class="kbd">s</span></v-btn
            ><v-btn height="48" @click="tick('partly')"
              >{{ say('teach-partly') }} <span class="kbd">h</span></v-btn
            ><v-btn class="main" height="48" @click="tick('done')"
              >✓ {{ say('teach-done') }} <span class="kbd">d</span></v-btn
            >
          </div>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.teach {
  display: flex;
  flex-direction: column;
  height: 100%;
  padding: 12px 24px 14px;
  gap: 12px;
}
.bar {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 20px;
  align-items: center;
}
.where {
  text-align: right;
  color: var(--granite);
  line-height: 1.2;
  white-space: nowrap;
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
.names {
  min-height: 44px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: 2px;
  display: flex;
  gap: 8px;
  align-items: center;
  user-select: none;
}
</style>
