<script setup lang="ts">
// A proposed lesson: its contour, its parts, why each is there and what else would fit. The teacher has the last word.
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { outbox, tell } from '@/api/outbox'
import { useGroup } from '@/api/children'
import { useMe } from '@/api/queries'
import { useAlternatives, useLesson, useLessonActs } from '@/api/lessons'
import LessonContour from '@/components/LessonContour.vue'
import PageState from '@/components/PageState.vue'
import RateButtons from '@/components/RateButtons.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import { teaches } from '@/composables/roles'
import { useKeys } from '@/composables/useKeys'
import { useTrail } from '@/composables/useTrail'
import { clock, weekday } from '@/composables/words'
import PartReasons from '@/features/lesson/PartReasons.vue'
import PartRow from '@/features/lesson/PartRow.vue'
import WrongClass from '@/features/lesson/WrongClass.vue'
import BeginAsks from '@/features/teach/BeginAsks.vue'
import { lessonNow } from '@/features/teach/lessonNow'
import { useBegin } from '@/features/teach/useBegin'
import { gradesName } from '@/locales/names'
import { say } from '@/locales/say'
import type { Schemas } from '@/api/client'

const props = defineProps<{ id: string }>()
const me = useMe()
const router = useRouter()
const lesson = useLesson(() => props.id)
const acts = useLessonActs(() => props.id)
const found = computed(() => lesson.data.value && lessonNow(lesson.data.value, outbox.kept.value))
useTrail(() =>
  found.value
    ? [
        { says: gradesName(found.value.section) },
        { says: found.value.section.name, to: `/sections/${found.value.section.id}` },
        { says: `${say('lesson-title', { n: found.value.number })}, ${weekday(found.value.day)}` },
      ]
    : [],
)
const picked = ref('')
const index = computed(() => found.value?.parts.findIndex((part) => part.id === picked.value) ?? -1)
const part = computed(() => found.value?.parts[index.value])
const alternatives = useAlternatives(
  () => props.id,
  () => (found.value?.state === 'planned' ? picked.value : ''),
)
const over = computed(() => found.value?.state === 'done' || found.value?.state === 'not_held')
const begun = computed(() => found.value?.state !== 'planned')
const error = computed(() =>
  [acts.propose, acts.pin, acts.swap, acts.refuse].map((one) => one.error.value).find(Boolean),
)

// A lesson proposed anew has new parts; stay at the same place.
watch(found, (now, before) => {
  if (picked.value && now && !now.parts.some((one) => one.id === picked.value)) {
    const place = before?.parts.findIndex((one) => one.id === picked.value) ?? -1
    picked.value = now.parts[place]?.id ?? ''
  }
})
function walk(by: number) {
  const parts = found.value?.parts ?? []
  picked.value = parts[Math.min(Math.max(index.value + by, 0), parts.length - 1)]?.id ?? ''
}
function propose() {
  const now = found.value
  if (now && !begun.value)
    acts.propose.mutate({ section: now.section.id, day: now.day, starts: now.starts })
}
function pin() {
  if (part.value && !begun.value)
    acts.pin.mutate({ part: part.value.id, pinned: !part.value.pinned })
}
function refuse() {
  if (part.value && !begun.value) acts.refuse.mutate(part.value.id)
}
function swap(to: Schemas['AlternativeRead']) {
  acts.swap.mutate({
    part: picked.value,
    to: {
      activity: to.activity,
      song_id: to.song_id,
      recording_id: to.recording_id,
      concept: to.concept?.key ?? null,
      purpose: to.purpose,
    },
  })
}
/** By name who comes to the small table. */
const group = useGroup(
  () => (teaches(me.data.value?.role) ? (found.value?.section.id ?? '') : ''),
  () => found.value?.beside_concept ?? '',
)
const { begin: teach, asks, other } = useBegin(found)
async function reopen() {
  if (!found.value) return
  await tell({ kind: 'reopened', section_id: found.value.section.id, lesson_id: props.id })
  await router.push(`/lessons/${props.id}/teach`)
}
async function rate(rating: 'well' | 'flat', note: string) {
  if (found.value && part.value)
    await tell({
      kind: 'rated',
      section_id: found.value.section.id,
      lesson_id: props.id,
      part_id: part.value.id,
      rating,
      note,
    })
}
async function nextOne() {
  const made = await acts.propose.mutateAsync({ section: found.value?.section.id ?? '' })
  if (router.currentRoute.value.params.id === props.id) await router.push(`/lessons/${made.id}`)
}
useKeys([
  { key: 'ArrowDown', says: say('keys-choose'), act: () => walk(1) },
  { key: 'ArrowUp', says: say('keys-choose'), act: () => walk(index.value < 0 ? 1 : -1) },
  { key: ' ', says: say('keys-pin'), act: pin },
  { key: 'x', says: say('keys-refuse'), act: refuse },
  { key: 'c', says: say('keys-propose'), act: propose },
  { key: 't', says: say('keys-teach'), act: () => void (over.value || teach()) },
])
</script>

<template>
  <PageState v-if="!found" :error="lesson.error.value" @again="lesson.refetch()" />
  <div v-else class="with-drawer">
    <div class="page">
      <header class="row spread">
        <div>
          <h1>{{ found.section.name }}, {{ weekday(found.day) }} {{ clock(found.starts) }}</h1>
          <p class="quiet">
            {{ say('lesson-title', { n: found.number }) }} ·
            {{ say('lesson-minutes', { n: found.planned_minutes, of: found.available }) }} ·
            {{ found.status === 'best_possible' ? say('lesson-best') : say('lesson-found') }}
          </p>
        </div>
        <div v-if="!over" class="row">
          <v-btn :href="`/api/lessons/${id}/print`" target="_blank">{{ say('set-print') }}</v-btn>
          <v-btn v-if="!begun" :disabled="acts.propose.isPending.value" @click="propose"
            >{{ acts.propose.isPending.value ? say('lesson-proposing') : say('lesson-propose') }}
            <span class="kbd">c</span></v-btn
          ><v-btn class="main" @click="teach"
            >{{ found.state === 'running' ? say('lesson-go-on') : say('lesson-teach') }}
            <span class="kbd">t</span></v-btn
          >
        </div>
        <div v-else class="row">
          <span class="quiet">{{
            found.state === 'done' ? say('lesson-over') : say('lesson-not-held')
          }}</span><v-btn @click="reopen">{{ say('lesson-reopen') }}</v-btn
          ><v-btn class="main" @click="nextOne">{{ say('lesson-next-one') }}</v-btn>
        </div>
      </header>
      <BeginAsks :asks="asks" :other="other" />
      <p v-if="error" class="wrong" role="alert">△ {{ error.message }}</p>
      <LessonContour :blocks="found.parts" :height="72" :current="index" />
      <ol class="parts">
        <li v-for="(one, place) in found.parts" :key="one.id">
          <PartRow
            :part="one"
            :picked="one.id === picked"
            :over="over"
            :begun="begun"
            @pick="picked = found?.parts[place]?.id ?? ''"
            @pin="acts.pin.mutate({ part: one.id, pinned: !one.pinned })"
          />
        </li>
      </ol>
      <p v-for="reason in found.unmet" :key="reason.sentence" class="small quiet">
        · {{ reason.sentence }}
      </p>
      <p v-if="found.beside" class="small">
        {{ found.beside }}
        <strong v-if="group.data.value">{{ group.data.value.children.join(', ') }}</strong>
      </p>
      <p v-for="says in found.told" :key="says" class="quiet">{{ says }}</p>
      <p v-if="found.note" class="quiet">{{ say('lesson-note') }}: “{{ found.note }}”</p>
      <p v-if="found.last_note" class="quiet">
        {{ say('lesson-last-note') }}: “{{ found.last_note }}”
      </p>
      <WrongClass v-if="begun" :lesson="found" />
      <p v-if="!part" class="small quiet">{{ say('lesson-choose') }}</p>
    </div>
    <SideDrawer v-if="part" :title="part.title" @close="picked = ''">
      <RateButtons
        v-if="over && (part.tick === 'done' || part.tick === 'partly')"
        :title="part.title"
        :rating="part.rating"
        :why="part.why"
        @rate="rate"
      />
      <PartReasons
        :part="part"
        :alternatives="alternatives.data.value ?? null"
        :over="begun"
        :busy="acts.swap.isPending.value"
        @pin="pin"
        @refuse="refuse"
        @swap="swap"
      />
    </SideDrawer>
  </div>
</template>

<style scoped>
.with-drawer {
  display: flex;
  min-height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
  gap: 14px;
}
.parts {
  border-bottom: 1px solid var(--line);
}
</style>
