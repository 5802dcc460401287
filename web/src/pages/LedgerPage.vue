<script setup lang="ts">
// Who has it, who was not heard? A grid of stones; the drawer shows the evidence behind one.
import { computed, reactive, ref } from 'vue'
import { printedLedger, sectionReports, useGroup } from '@/api/children'
import { useChangeChild, useGone } from '@/api/setup'
import { queryClient, useDay, useEvidence, useLedger, useLedgers, useSections } from '@/api/queries'
import type { Schemas } from '@/api/client'
import PageState from '@/components/PageState.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import StandingGlyph from '@/components/StandingGlyph.vue'
import { capital, shortDay } from '@/composables/words'
import { useTrail } from '@/composables/useTrail'
import ChildPanel from '@/features/ledger/ChildPanel.vue'
import EvidenceView from '@/features/ledger/EvidenceView.vue'
import { columnsOf, EVERYTHING, type Filter, rowsOf } from '@/features/ledger/filters'
import SideBySide from '@/features/ledger/SideBySide.vue'
import StoneGrid from '@/features/ledger/StoneGrid.vue'
import { gradesName, standingName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ id: string }>()
const ledger = useLedger(() => props.id)
const sections = useSections()
const found = computed(() => ledger.data.value)
useTrail(() =>
  found.value
    ? [
        { says: gradesName(found.value.section) },
        { says: found.value.section.name, to: `/sections/${props.id}` },
        { says: say('ledger-title') },
      ]
    : [],
)
const picked = ref<{ child: string; concept: string } | null>(null)
const evidence = useEvidence(
  () => props.id,
  () => picked.value?.child ?? '',
  () => picked.value?.concept ?? '',
)
const day = useDay()
const change = useChangeChild()
const gone = useGone(() => props.id)
const homes = computed(() =>
  found.value?.section.grade === 13
    ? []
    : (sections.data.value ?? []).filter((one) => one.grade !== 13),
)
/** What the last change did, and the way back. */
const changed = ref<{ said: string; back: { id: string; body: Schemas['ChildBody'] } } | null>(null)
function send(id: string, before: string, body: Schemas['ChildBody']) {
  const where = sections.data.value?.find((one) => one.id === body.section_id)?.name ?? ''
  const back = { id, body: { name: before, section_id: props.id, left: null } }
  const said = body.left
    ? say('child-has-left', { name: before })
    : body.section_id === props.id
      ? say('child-is-called', { name: body.name })
      : say('child-is-in', { name: body.name, section: where })
  change.mutate(
    { id, body },
    {
      onSuccess: () => {
        picked.value = null
        changed.value = { said, back }
      },
    },
  )
}
function undo() {
  if (changed.value) change.mutate(changed.value.back, { onSuccess: () => (changed.value = null) })
}
function comesBack(one: Schemas['ChildDetail']) {
  const { name, section_id, left } = one
  const back = { id: one.id, body: { name, section_id, left } }
  change.mutate(
    { id: one.id, body: { name, section_id, left: null } },
    { onSuccess: () => (changed.value = { said: say('child-came-back', { name }), back }) },
  )
}
const filter = reactive<Filter>({ ...EVERYTHING })
const columns = computed(() => (found.value ? columnsOf(found.value, filter) : []))
const rows = computed(() => (found.value ? rowsOf(found.value, columns.value, filter) : []))
const strands = computed(() => [
  { value: '', title: say('ledger-strand-all') },
  ...[...new Set((found.value?.columns ?? []).map((one) => one.concept.strand))].map((one) => ({
    value: one,
    title: one,
  })),
])
const options = (keys: readonly string[], title: (key: string) => string) =>
  keys.map((value) => ({ value, title: title(value) }))
const phases = options(['all', 'named', 'unnamed'], (key) => sayOf('ledger-phases', key))
const shows = options(['all', 'due', 'not_heard', 'not_yet'], (key) => sayOf('ledger-show', key))
const orders = options(['name', 'wait'], (key) => sayOf('ledger-order', key))
const group = useGroup(
  () => props.id,
  () => (picked.value && !picked.value.child ? picked.value.concept : ''),
)
/** The same concept in the other sections of the grade. */
const others = computed(() =>
  (sections.data.value ?? []).filter(
    (one) => one.grade === found.value?.section.grade && one.id !== props.id,
  ),
)
const beside = ref(false)
const grade = computed(() => (found.value ? [found.value.section, ...others.value] : []))
const ledgers = useLedgers(() => grade.value.map((one) => one.id))
const sisters = computed(() =>
  others.value.map((one) => {
    const same = ledgers.value
      .find((each) => each.section.id === one.id)
      ?.columns.find((column) => column.concept.key === picked.value?.concept)
    return { ...one, says: same?.sentence ?? say('ledger-sister-nothing') }
  }),
)
const child = computed(() => found.value?.children.find((one) => one.id === picked.value?.child))
const column = computed(() =>
  found.value?.columns.find((one) => one.concept.key === picked.value?.concept),
)
const legend = [
  { level: 'not_heard' },
  { level: 'not_heard', partly: true },
  { level: 'not_yet' },
  { level: 'nearly' },
  { level: 'once' },
  { level: 'secure' },
  { level: 'secure', due: true },
  { level: 'secure', said: true },
]
async function afterErasing() {
  picked.value = null
  await queryClient.invalidateQueries()
}
</script>

<template>
  <PageState v-if="!found" :error="ledger.error.value" @again="ledger.refetch()" />
  <div v-else class="with-drawer">
    <div class="page">
      <header class="row spread">
        <h1>{{ say('ledger-title') }} {{ found.section.name }}</h1>
        <span class="row small"
          ><router-link to="/ask">{{ say('asked-title') }}</router-link
          ><a :href="printedLedger(id)" target="_blank">{{ say('ledger-print') }}</a
          ><a :href="sectionReports(id, 'pdf')" target="_blank">{{ say('report-all-of') }}</a
          ><a :href="sectionReports(id, 'csv')" download>{{ say('report-csv') }}</a></span
        >
        <nav class="row" :aria-label="say('set-up-sections')">
          <router-link
            v-for="one in sections.data.value ?? []"
            :key="one.id"
            :to="`/sections/${one.id}/ledger`"
            :class="['tag', { on: one.id === id }]"
            >{{ one.name }}</router-link
          >
        </nav>
      </header>
      <p class="row legend small" :aria-label="say('ledger-legend')">
        <span v-for="(one, index) in legend" :key="index" class="row"
          ><StandingGlyph v-bind="one" :size="18" plain />{{
            one.said ? say('word-legend') : standingName(one.level, one.due, one.partly)
          }}</span
        >
      </p>
      <p v-if="changed" class="row small" role="status">
        ✓ {{ changed.said }}
        <v-btn size="small" :disabled="change.isPending.value" @click="undo">{{
          say('take-back')
        }}</v-btn>
      </p>
      <p v-if="change.error.value" class="wrong" role="alert">△ {{ change.error.value.message }}</p>
      <p v-if="!found.columns.length" class="quiet">{{ say('ledger-empty') }}</p>
      <template v-else>
        <div class="row filters">
          <v-select v-model="filter.strand" :items="strands" :label="say('ledger-strand')" />
          <v-select v-model="filter.phase" :items="phases" :label="say('ledger-phase')" />
          <v-select v-model="filter.shows" :items="shows" :label="say('ledger-shows')" />
          <v-select v-model="filter.by" :items="orders" :label="say('ledger-by')" />
          <v-btn
            v-if="others.length"
            height="48"
            :class="{ main: beside }"
            :aria-pressed="beside"
            @click="beside = !beside"
            >{{ say('ledger-beside') }}</v-btn><span
            v-if="rows.length < found.children.length"
            class="small quiet"
            role="status"
            >{{ say('ledger-shown', { n: rows.length, of: found.children.length }) }}</span
          >
        </div>
        <SideBySide v-if="beside" :ledgers="ledgers" :columns="columns" />
        <StoneGrid
          v-else
          :ledger="found"
          :picked="picked"
          :rows="rows"
          :columns="columns"
          @pick="(child, concept) => (picked = { child, concept })"
        />
      </template>
      <details v-if="gone.data.value?.length" class="small">
        <summary>{{ say('child-gone', { n: gone.data.value.length }) }}</summary>
        <ul>
          <li v-for="one in gone.data.value" :key="one.id" class="row">
            <span>{{ one.name }}, {{ shortDay(one.left ?? '') }}</span
            ><v-btn size="small" :disabled="change.isPending.value" @click="comesBack(one)">{{
              say('child-is-back')
            }}</v-btn>
          </li>
        </ul>
      </details>
    </div>
    <SideDrawer
      v-if="picked && !picked.child && column"
      :title="capital(column.concept.name)"
      @close="picked = null"
    >
      <section class="stack">
        <h3>{{ say('song-whole') }}</h3>
        <p>{{ column.sentence }}</p>
        <p v-if="group.data.value">{{ group.data.value.sentence }}</p>
        <p v-if="column.concept.prompt" class="quiet">“{{ column.concept.prompt }}”</p>
      </section>
      <section v-if="sisters.length" class="stack">
        <h3>{{ say('ledger-sisters') }}</h3>
        <p v-for="one in sisters" :key="one.id">
          <router-link :to="`/sections/${one.id}/ledger`">{{ one.name }}</router-link>:
          {{ one.says }}
        </p>
      </section>
    </SideDrawer>
    <SideDrawer
      v-if="picked?.child && evidence.data.value"
      :title="evidence.data.value.child"
      @close="picked = null"
    >
      <p class="small">
        <router-link :to="`/children/${picked.child}`">{{ say('child-whole') }}</router-link>
      </p>
      <EvidenceView
        :evidence="evidence.data.value"
        :section="id"
        :child="picked.child"
        :name="evidence.data.value.child"
        :today="day.data.value?.today ?? ''"
      />
      <ChildPanel
        v-if="child && homes.length"
        :child="child"
        :section="id"
        :sections="homes"
        :today="day.data.value?.today ?? ''"
        @change="(body) => child && send(child.id, child.name, body)"
        @erased="afterErasing"
      />
      <section v-if="column" class="stack">
        <h3>{{ say('song-whole') }}</h3>
        <p>{{ column.sentence }}</p>
      </section>
    </SideDrawer>
  </div>
</template>

<style scoped>
.with-drawer {
  display: flex;
  height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
  gap: 12px;
  min-height: 0;
  height: 100%;
}
.filters {
  gap: 10px;
}
.filters > .v-input {
  max-width: 210px;
  min-width: 150px;
}
.legend .row {
  gap: 4px;
}
.legend {
  gap: 4px 14px;
  color: var(--granite);
}
.tag {
  padding: 4px 9px;
  text-decoration: none;
  color: inherit;
}
.tag.on {
  background: var(--dusk);
  color: var(--sheet);
  border-color: var(--dusk);
}
@media (max-width: 900px) {
  .tag {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
}
</style>
