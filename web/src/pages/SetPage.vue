<script setup lang="ts">
// The next lessons of a grade or a section as one table: will these weeks work? Composed, and the teacher has the last word.
import { computed, ref, watch } from 'vue'
import { useActivities, useActivityWords, useTemplateActs, useTemplates } from '@/api/activities'
import type { Schemas } from '@/api/client'
import { useRecordings } from '@/api/recordings'
import {
  useFocus,
  useKeptActs,
  useKeptSets,
  usePrices,
  useSet,
  useSetActs,
  stopSet,
  useSetAlternatives,
  useSetProgress,
  useSongTitles,
  type SetChange,
} from '@/api/sets'
import PageState from '@/components/PageState.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import { useKeys } from '@/composables/useKeys'
import { useTrail } from '@/composables/useTrail'
import PartReasons from '@/features/lesson/PartReasons.vue'
import FocusSong from '@/features/set/FocusSong.vue'
import KeptSets from '@/features/set/KeptSets.vue'
import SetByHand from '@/features/set/SetByHand.vue'
import SetFoot from '@/features/set/SetFoot.vue'
import SetTable from '@/features/set/SetTable.vue'
import TemplateForm from '@/features/set/TemplateForm.vue'
import { cellsAt, stepFrom, type Place } from '@/features/set/table'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ set: string }>()
const count = ref(6)
const set = useSet(() => props.set, count)
const acts = useSetActs(() => props.set, count)
const found = computed(() => set.data.value)
useTrail(() => [
  { says: say('week-title'), to: '/week' },
  { says: found.value ? say('set-title', { name: found.value.name }) : '' },
])
const picked = ref<Place | null>(null)
const open = ref(false)
const ordering = ref(false)
const keeping = ref(false)
const focusing = ref(false)
const focusOn = ref<string | null>(null)
const focus = useFocus(() => props.set, count, focusOn)
const kept = useKeptSets(keeping)
const keptActs = useKeptActs(() => props.set, count)
const dropped = computed(() => acts.lay.data.value?.dropped ?? null)
const cell = computed(() => {
  const place = picked.value
  if (!place) return undefined
  const here = cellsAt(found.value?.columns[place.lesson], place.slot)
  return here.find((one) => one.part.id === place.part) ?? here[0]
})
const alternatives = useSetAlternatives(
  () => props.set,
  count,
  () =>
    open.value && picked.value && cell.value
      ? { lesson: picked.value.lesson, slot: picked.value.slot, part: cell.value.part.id }
      : null,
)
const activities = useActivities(() => open.value || ordering.value)
const templates = useTemplates(ordering)
const band = computed(() => found.value?.band ?? 'small')
const template = computed(() => templates.data.value?.find((one) => one.band === band.value))
const activityWords = useActivityWords()
const order = useTemplateActs(band)
const ordered = computed(() => order.set.error.value ?? order.shipped.error.value)
const songs = useSongTitles(() => open.value || focusing.value)
const pieces = useRecordings()
const pricesShown = ref(false)
const prices = usePrices(pricesShown)
const all = [acts.compose, acts.change, acts.undo, acts.redo, acts.lay, acts.focus]
const busy = computed(() => all.some((one) => one.isPending.value))
const composing = computed(
  () =>
    acts.compose.isPending.value ||
    acts.lay.isPending.value ||
    acts.focus.isPending.value ||
    (acts.change.isPending.value && acts.change.variables.value?.act === 'refuse'),
)
const progress = useSetProgress(() => props.set, composing)
const soFar = computed(() => (composing.value ? progress.data.value : null))
const stopping = ref(false)
watch(composing, () => (stopping.value = false))
function stop() {
  stopping.value = true
  void stopSet(props.set)
}
const error = computed(() => all.map((one) => one.error.value).find(Boolean))
const composed = computed(() => found.value?.columns.some((one) => one.cells.length) ?? false)
function ask(act: () => void) {
  if (busy.value) return
  for (const one of all) one.reset()
  act()
}
function changeHere(act: SetChange['act'], more: Partial<SetChange> = {}) {
  const place = picked.value
  if (place && cell.value)
    ask(() => acts.change.mutate({ act, lesson: place.lesson, slot: place.slot, ...more }))
}
function walk(event: KeyboardEvent, down: number, right: number) {
  if (!found.value) return
  const to = stepFrom(found.value, picked.value, down, right)
  if (event.shiftKey && picked.value && to) move(picked.value, to)
  picked.value = to
}
function move(from: Place, to: Place) {
  ask(() =>
    acts.change.mutate({
      act: 'move',
      lesson: from.lesson,
      slot: from.slot,
      to_lesson: to.lesson,
      to_slot: to.slot,
    }),
  )
  picked.value = { lesson: to.lesson, slot: to.slot }
}
const swap = (to: Schemas['AlternativeRead']) =>
  changeHere('put', {
    activity: to.activity,
    song_id: to.song_id,
    recording_id: to.recording_id,
    concept: to.concept?.key ?? null,
    purpose: to.purpose,
  })
function lift(one: Schemas['RefusedRead']) {
  ask(() =>
    acts.change.mutate({
      act: 'lift',
      activity: one.activity,
      song_id: one.song_id,
      lesson: 0,
      slot: '',
    }),
  )
}
function showOrder() {
  open.value = keeping.value = focusing.value = false
  ordering.value = !ordering.value
}
function showKept() {
  open.value = ordering.value = focusing.value = false
  keeping.value = !keeping.value
}
function showFocus() {
  open.value = ordering.value = keeping.value = false
  focusing.value = !focusing.value
}
const pin = () => changeHere(cell.value?.part.pinned ? 'unpin' : 'pin')
useKeys([
  { key: 'ArrowDown', says: say('keys-walk'), act: (event) => walk(event, 1, 0) },
  { key: 'ArrowUp', says: say('keys-walk'), act: (event) => walk(event, -1, 0) },
  { key: 'ArrowRight', says: say('keys-walk'), act: (event) => walk(event, 0, 1) },
  { key: 'ArrowLeft', says: say('keys-walk'), act: (event) => walk(event, 0, -1) },
  {
    key: 'Enter',
    says: say('set-open-part'),
    act: () => {
      open.value = !!cell.value
    },
  },
  { key: ' ', says: say('keys-pin'), act: pin },
  { key: 'x', says: say('keys-refuse'), act: () => changeHere('refuse') },
  { key: '+', says: say('set-longer'), act: () => changeHere('longer') },
  { key: '-', says: say('set-shorter'), act: () => changeHere('shorter') },
  { key: 'c', says: say('set-compose'), act: () => ask(() => acts.compose.mutate(false)) },
  { key: 'u', says: say('set-undo'), act: () => ask(() => acts.undo.mutate()) },
  { key: 'r', says: say('set-redo'), act: () => ask(() => acts.redo.mutate()) },
])
</script>

<template>
  <PageState v-if="!found" :error="set.error.value" @again="set.refetch()" />
  <div v-else class="with-drawer">
    <div class="page">
      <header class="row spread">
        <h1>{{ say('set-title', { name: found.name }) }}</h1>
        <div class="row">
          <v-select v-model="count" class="count" :label="say('set-count')" :items="[4, 5, 6]" />
          <v-btn :aria-expanded="ordering" @click="showOrder">{{ say('template-open') }}</v-btn>
          <v-menu>
            <template #activator="{ props: opens }"
              ><v-btn v-bind="opens">{{ say('set-files') }}</v-btn></template
            >
            <v-list>
              <v-list-item :title="say('focus-title')" @click="showFocus" />
              <v-list-item :title="say('kept-set-title')" @click="showKept" />
              <v-list-item
                v-if="composed"
                :href="`/api/sets/${props.set}/print?lessons=${count}`"
                target="_blank"
                :title="say('set-print-paper')"
              />
              <v-list-item
                v-for="kind in composed ? (['ics', 'csv', 'json'] as const) : []"
                :key="kind"
                :href="`/api/sets/${props.set}/file?lessons=${count}&kind=${kind}`"
                :title="sayOf('set-file', kind)"
              />
            </v-list>
          </v-menu>
          <v-btn :disabled="busy || !found.last" @click="ask(() => acts.undo.mutate())"
            >{{ say('set-undo') }} <span class="kbd">u</span></v-btn
          ><v-btn :disabled="busy || !found.again" @click="ask(() => acts.redo.mutate())"
            >{{ say('set-redo') }} <span class="kbd">r</span></v-btn
          ><v-btn v-if="composed" :disabled="busy" @click="ask(() => acts.compose.mutate(true))">{{
            say('set-anew')
          }}</v-btn
          ><v-btn class="main" :disabled="busy" @click="ask(() => acts.compose.mutate(false))"
            >{{ composed ? say('set-compose') : say('set-compose-first') }}
            <span class="kbd">c</span></v-btn
          >
        </div>
      </header>
      <p class="quiet" role="status">
        <template v-if="soFar?.cost">{{
          say('set-so-far', { cost: soFar.cost, gap: soFar.gap })
        }}</template>
        <template v-else>{{ composing ? say('set-composing') : found.says }}</template>
        <template v-if="found.last && !composing">
          {{ say('set-last', { what: found.last }) }}
        </template>
      </p>
      <div v-if="composing" class="row still">
        <v-progress-linear
          :indeterminate="!soFar?.done"
          :model-value="(soFar?.done ?? 0) * 100"
          :aria-label="say('set-composing')"
        />
        <v-btn size="small" :disabled="stopping" @click="stop">{{ say('set-stop') }}</v-btn>
      </div>
      <p v-if="error" class="wrong" role="alert">△ {{ error.message }}</p>
      <p v-if="!composed" class="quiet">{{ say('set-empty') }}</p>
      <SetTable
        v-else
        :set="found"
        :picked="picked"
        @pick="
          (place) => {
            picked = place
            open = true
            ordering = keeping = focusing = false
          }
        "
        @move="move"
      />
      <SetFoot
        v-model:shown="pricesShown"
        :set="found"
        :prices="prices.data.value"
        :busy="busy"
        @lift="lift"
      />
    </div>
    <SideDrawer
      v-if="ordering && template && activityWords.data.value"
      :title="say('template-title', { name: template.name })"
      @close="ordering = false"
    >
      <p v-if="ordered" class="wrong" role="alert">△ {{ ordered.message }}</p>
      <TemplateForm
        :template="template"
        :words="activityWords.data.value"
        :activities="activities.data.value ?? []"
        :busy="order.set.isPending.value || order.shipped.isPending.value"
        @keep="order.set.mutate($event)"
        @shipped="order.shipped.mutate()"
      />
    </SideDrawer>
    <SideDrawer v-if="focusing" :title="say('focus-title')" @close="focusing = false">
      <FocusSong
        v-model:song="focusOn"
        :songs="songs.data.value ?? []"
        :plan="focus.data.value"
        :refused="focus.error.value?.message ?? ''"
        :busy="busy"
        @lay="focusOn && ask(() => acts.focus.mutate(focusOn ?? ''))"
      />
    </SideDrawer>
    <SideDrawer v-if="keeping" :title="say('kept-set-title')" @close="keeping = false">
      <KeptSets
        :kept="kept.data.value ?? []"
        :dropped="dropped"
        :planned="composed"
        :busy="busy"
        @keep="keptActs.keep.mutate($event)"
        @lay="(id) => ask(() => acts.lay.mutate(id))"
        @forget="keptActs.forget.mutate($event)"
      />
    </SideDrawer>
    <SideDrawer v-if="open && cell" :title="cell.part.title" @close="open = false">
      <div class="row">
        <v-btn size="small" :disabled="busy" @click="changeHere('shorter')"
          >{{ say('set-shorter') }} <span class="kbd">-</span></v-btn
        ><v-btn size="small" :disabled="busy" @click="changeHere('longer')"
          >{{ say('set-longer') }} <span class="kbd">+</span></v-btn
        >
      </div>
      <PartReasons
        :part="cell.part"
        :alternatives="alternatives.data.value ?? null"
        :over="false"
        :busy="busy"
        @pin="pin"
        @refuse="changeHere('refuse')"
        @swap="swap"
      />
      <SetByHand
        :activities="activities.data.value ?? []"
        :songs="songs.data.value ?? []"
        :pieces="pieces.data.value ?? []"
        :grade="found.grade"
        :busy="busy"
        @put="(choice) => changeHere('put', choice)"
      />
      <p class="small quiet">{{ say('set-move-hint') }}</p>
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
  gap: 12px;
}
.still {
  display: grid;
  grid-template-columns: 1fr max-content;
  align-items: center;
}
.count {
  width: 96px;
}
</style>
