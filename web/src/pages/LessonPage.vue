<script setup lang="ts">
// A proposed lesson: its contour, its parts, why each is there and what else would fit. The teacher has the last word.
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useAlternatives, useLesson, useLessonActs } from '@/api/queries'
import LessonContour from '@/components/LessonContour.vue'
import PageState from '@/components/PageState.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import { useKeys } from '@/composables/useKeys'
import { useTrail } from '@/composables/useTrail'
import { weekday } from '@/composables/words'
import CellReasons from '@/features/lesson/CellReasons.vue'
import CellRow from '@/features/lesson/CellRow.vue'
import { say } from '@/locales/en'
import type { Schemas } from '@/api/client'

const props = defineProps<{ id: string }>()
const router = useRouter()
const lesson = useLesson(() => props.id)
const acts = useLessonActs(() => props.id)
const found = computed(() => lesson.data.value)
useTrail(() =>
  found.value
    ? [{ says: say.sectionForm.gradeOf(found.value.section.grade) }, { says: found.value.section.name, to: `/sections/${found.value.section.id}` }, { says: `${say.lesson.title(found.value.number)}, ${weekday(found.value.day)}` }]
    : [],
)
const picked = ref('')
const index = computed(() => found.value?.cells.findIndex((cell) => cell.id === picked.value) ?? -1)
const cell = computed(() => found.value?.cells[index.value])
const alternatives = useAlternatives(() => props.id, () => (found.value?.state === 'done' ? '' : picked.value))
const over = computed(() => found.value?.state === 'done')
const error = computed(() => [acts.propose, acts.pin, acts.swap, acts.refuse, acts.start].map((one) => one.error.value).find(Boolean))

// A lesson proposed anew has new parts; stay at the same place.
watch(found, (now, before) => {
  if (picked.value && now && !now.cells.some((one) => one.id === picked.value)) {
    const place = before?.cells.findIndex((one) => one.id === picked.value) ?? -1
    picked.value = now.cells[place]?.id ?? ''
  }
})
function walk(by: number) {
  const cells = found.value?.cells ?? []
  picked.value = cells[Math.min(Math.max(index.value + by, 0), cells.length - 1)]?.id ?? ''
}
function propose() {
  if (found.value && !over.value) acts.propose.mutate(found.value.section.id)
}
function pin() {
  if (cell.value) acts.pin.mutate({ cell: cell.value.id, pinned: !cell.value.pinned })
}
function refuse() {
  if (cell.value && !over.value) acts.refuse.mutate(cell.value.id)
}
function swap(to: Schemas['AlternativeRead']) {
  acts.swap.mutate({ cell: picked.value, to: { activity: to.activity, song_id: to.song_id, concept: to.concept?.key ?? null, purpose: to.purpose } })
}
async function teach() {
  await acts.start.mutateAsync()
  await router.push(`/lessons/${props.id}/teach`)
}
async function nextOne() {
  const made = await acts.propose.mutateAsync(found.value?.section.id ?? '')
  await router.push(`/lessons/${made.id}`)
}
useKeys([
  { key: 'ArrowDown', says: say.keys.choose, act: () => walk(1) },
  { key: 'ArrowUp', says: say.keys.choose, act: () => walk(index.value < 0 ? 1 : -1) },
  { key: ' ', says: say.keys.pin, act: pin },
  { key: 'x', says: say.keys.refuse, act: refuse },
  { key: 'c', says: say.keys.propose, act: propose },
  { key: 't', says: say.keys.teach, act: () => void (over.value || teach()) },
])
</script>

<template>
  <PageState v-if="!found" :error="lesson.error.value" @again="lesson.refetch()" />
  <div v-else class="with-drawer">
    <div class="page">
      <header class="row spread">
        <div><h1>{{ found.section.name }}, {{ weekday(found.day) }} {{ found.starts }}</h1><p class="quiet">{{ say.lesson.title(found.number) }} · {{ say.lesson.minutes(found.planned_minutes, found.available) }} · {{ found.status === 'best_possible' ? say.lesson.best : say.lesson.found }}</p></div>
        <div v-if="!over" class="row"><v-btn :disabled="acts.propose.isPending.value" @click="propose">{{ acts.propose.isPending.value ? say.lesson.proposing : say.lesson.propose }} <span class="kbd">c</span></v-btn><v-btn class="main" @click="teach">{{ found.state === 'running' ? say.lesson.goOn : say.lesson.teach }} <span class="kbd">t</span></v-btn></div>
        <div v-else class="row"><span class="quiet">{{ say.lesson.over }}</span><v-btn class="main" @click="nextOne">{{ say.lesson.nextOne }}</v-btn></div>
      </header>
      <p v-if="error" class="wrong" role="alert">△ {{ error.message }}</p>
      <LessonContour :blocks="found.cells" :height="72" :current="index" />
      <ol class="cells"><li v-for="(one, place) in found.cells" :key="one.id"><CellRow :cell="one" :picked="one.id === picked" :over="over" @pick="picked = found?.cells[place]?.id ?? ''" @pin="acts.pin.mutate({ cell: one.id, pinned: !one.pinned })" /></li></ol>
      <p v-for="reason in found.unmet" :key="reason.sentence" class="small quiet">· {{ reason.sentence }}</p>
      <p v-if="found.last_note" class="quiet">{{ say.lesson.lastNote }}: “{{ found.last_note }}”</p>
      <p v-if="!cell" class="small quiet">{{ say.lesson.choose }}</p>
    </div>
    <SideDrawer v-if="cell" :title="cell.title" @close="picked = ''">
      <CellReasons :cell="cell" :alternatives="alternatives.data.value ?? null" :over="over" :busy="acts.swap.isPending.value" @pin="pin" @refuse="refuse" @swap="swap" />
    </SideDrawer>
  </div>
</template>

<style scoped>
.with-drawer { display: flex; min-height: 100%; }
.page { flex: 1; min-width: 0; gap: 14px; }
.cells { border-bottom: 1px solid var(--line); }
</style>
