<script setup lang="ts">
// The sequence as a table that is edited in place: what is taught, in which order, in which grade, after what.
import { rules } from '@/api/rules'
import { mdiChevronDown, mdiChevronUp, mdiPlus } from '@mdi/js'
import { computed, ref, watch } from 'vue'
import { lookAtSequence, useSequence, useSequenceActs } from '@/api/setup'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import FileField from '@/components/FileField.vue'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { useTrail } from '@/composables/useTrail'
import { offerUndo } from '@/composables/useUndo'
import { useBegun } from '@/api/drafts'
import { useUnsaved } from '@/composables/useUnsaved'
import { shortDay } from '@/composables/words'
import ConceptDetails from '@/features/setup/ConceptDetails.vue'
import { say, sayOf } from '@/locales/say'

type Row = Schemas['ConceptBody']
useTrail(() => [{ says: say('set-up-title'), to: '/set-up' }, { says: say('sequence-title') }])
const sequence = useSequence()
const acts = useSequenceActs()
const rows = ref<Row[]>([])
const name = ref('')
const dirty = ref(false)
useUnsaved(dirty)
const open = ref('')
const said = ref('')
const { refused, keep: keeping } = useKeep()
function anew() {
  const now = sequence.data.value
  if (!now || dirty.value) return
  rows.value = JSON.parse(JSON.stringify(now.concepts)) as Row[]
  name.value = now.name
}
useBegun(() => '/sequence', dirty, anew)
watch(() => sequence.data.value, anew, { immediate: true })
const grades = computed(() =>
  [...new Set(rows.value.map((row) => row.grade))].sort((a, b) => a - b),
)
const names = computed(() => new Map(rows.value.map((row) => [row.key, row.name])))
const strands = computed(() =>
  Object.entries(sequence.data.value?.strands ?? {}).map(([value, title]) => ({ value, title })),
)
const everyGrade = Array.from({ length: 15 }, (_, n) => ({
  value: n - 1,
  title: say('year-grade', { g: n - 1 }),
}))

function change() {
  dirty.value = true
  said.value = ''
}
function move(row: Row, by: number) {
  const mine = rows.value.filter((one) => one.grade === row.grade)
  const other = mine[mine.indexOf(row) + by]
  if (!other) return
  const [a, b] = [rows.value.indexOf(row), rows.value.indexOf(other)]
  rows.value[a] = other
  rows.value[b] = row
  change()
}
function add(grade: number) {
  const key = `own-${Date.now().toString(36)}`
  const last = rows.value.map((row) => row.grade).lastIndexOf(grade)
  rows.value.splice(last + 1, 0, {
    key,
    name: say('sequence-fresh'),
    strand: 'vocabulary',
    grade,
    sign: '',
    needs: [],
    elements: [],
    degrees: [],
    meters: [],
    tone_sets: [],
    resting: null,
    ways: ['sing'],
    core: false,
    prompt: '',
    not_before: '',
    not_after: '',
    traits: [],
    any_song: false,
    shown: '',
  })
  open.value = key
  change()
}
function remove(row: Row) {
  rows.value = rows.value
    .filter((one) => one !== row)
    .map((one) => ({ ...one, needs: one.needs.filter((need) => need !== row.key) }))
  change()
}
async function act(make: () => Promise<Schemas['SequenceRead']>) {
  const before = sequence.data.value?.number
  await keeping(async () => {
    const read = await make()
    dirty.value = false
    anew()
    if (before)
      offerUndo(say('kept-sequence'), () =>
        acts.start.mutateAsync({ shipped: null, number: before }),
      )
    said.value = read.along.length
      ? say('sequence-along', { names: read.along.join(', ') })
      : say('sequence-kept', { n: read.number })
  })
}
const keep = () =>
  act(() =>
    acts.keep.mutateAsync({
      name: name.value,
      concepts: [...rows.value].sort((a, b) => a.grade - b.grade),
    }),
  )
const start = (shipped: 'so-mi' | 'mi-re-do' | 'scale') =>
  act(() => acts.start.mutateAsync({ shipped, number: null }))
const back = (number: number) => act(() => acts.start.mutateAsync({ shipped: null, number }))
async function fromFile([file]: File[]) {
  if (!file) return
  await keeping(async () => {
    const read = await lookAtSequence(file)
    rows.value = read.concepts
    name.value = read.name
    dirty.value = true
    said.value = say('sequence-read', { n: read.concepts.length })
  })
}
</script>

<template>
  <PageState
    v-if="!sequence.data.value"
    :error="sequence.error.value"
    @again="sequence.refetch()"
  />
  <div v-else class="page">
    <header class="row spread">
      <div>
        <h1>{{ say('sequence-title') }}</h1>
        <p class="quiet">{{ say('sequence-lead', { n: rows.length }) }}</p>
      </div>
      <div class="row">
        <v-text-field
          v-model="name"
          :label="say('calendar-name')"
          :rules="rules('SequenceBody', 'name')"
          validate-on="blur"
          @update:model-value="change"
        /><v-btn class="main" :disabled="!dirty || acts.keep.isPending.value" @click="keep">{{
          say('sequence-keep')
        }}</v-btn>
      </div>
    </header>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <p v-if="said" class="secure" role="status">✓ {{ said }}</p>
    <div class="row small tools">
      <span class="quiet">{{ say('sequence-start-from') }}</span><v-btn
        v-for="one in ['so-mi', 'mi-re-do', 'scale'] as const"
        :key="one"
        size="small"
        @click="start(one)"
        >{{ sayOf('sequence-shipped', one) }}</v-btn
      >
      <a href="/api/sequence/file?kind=csv" download>CSV</a
      ><a href="/api/sequence/file?kind=case" download>CASE</a>
      <router-link to="/ladder">{{ say('ladder-title') }}</router-link>
      <FileField :label="say('sequence-bring')" accept=".csv,.json" @files="fromFile" />
    </div>
    <section v-for="grade in grades" :key="grade">
      <div class="row spread">
        <h2>{{ say('year-grade', { g: grade }) }}</h2>
        <v-btn size="small" :prepend-icon="mdiPlus" @click="add(grade)">{{
          say('sequence-add')
        }}</v-btn>
      </div>
      <ol>
        <li
          v-for="row in rows.filter((one) => one.grade === grade)"
          :key="row.key"
          :class="{ optional: !row.core }"
        >
          <div class="line">
            <span class="sign"
              ><ConceptSign v-if="row.sign" :sign="row.sign" :name="row.name" :height="20"
            /></span>
            <v-text-field
              v-model="row.name"
              :aria-label="`${say('year-concept')}: ${row.name}`"
              :rules="rules('ConceptBody', 'name')"
              validate-on="blur"
              @update:model-value="change"
            />
            <v-select
              v-model="row.strand"
              :aria-label="`${say('sequence-strand')}: ${row.name}`"
              :items="strands"
              @update:model-value="change"
            />
            <v-select
              v-model="row.grade"
              :aria-label="`${say('sequence-grade')}: ${row.name}`"
              :items="everyGrade"
              @update:model-value="change"
            />
            <span class="small quiet needs">{{
              row.needs.length
                ? say('sequence-after', {
                    names: row.needs.map((key) => names.get(key) ?? key).join(', '),
                  })
                : ''
            }}</span>
            <span class="row buttons"
              ><v-btn
                :icon="mdiChevronUp"
                size="small"
                :aria-label="`${say('sequence-up')}: ${row.name}`"
                @click="move(row, -1)"
              /><v-btn
                :icon="mdiChevronDown"
                size="small"
                :aria-label="`${say('sequence-down')}: ${row.name}`"
                @click="move(row, 1)"
              /><v-btn
                size="small"
                :aria-expanded="open === row.key"
                @click="open = open === row.key ? '' : row.key"
                >{{ say('sequence-more') }}</v-btn
              ></span
            >
          </div>
          <ConceptDetails
            v-if="open === row.key"
            :concept="row"
            :others="rows.filter((other) => other !== row)"
            :traits="sequence.data.value.traits"
            @change="change"
            @remove="remove(row)"
          />
        </li>
      </ol>
    </section>
    <section v-if="sequence.data.value.versions.length" class="stack">
      <h2>{{ say('sequence-versions') }}</h2>
      <ul>
        <li v-for="one in sequence.data.value.versions" :key="one.number" class="row">
          <span>{{ one.number }}. {{ one.name }}, {{ shortDay(one.made) }}</span
          ><v-btn
            v-if="one.number !== sequence.data.value.number"
            size="small"
            @click="back(one.number)"
            >{{ say('sequence-back') }}</v-btn
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.tools {
  gap: 8px 14px;
}
section {
  flex: none;
}
li {
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
.line {
  display: grid;
  grid-template-columns: 90px minmax(150px, 1.2fr) 172px 156px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
}
.line :deep(.v-field) {
  --v-field-padding-start: 10px;
  --v-field-padding-end: 4px;
}
.sign {
  overflow: hidden;
  white-space: nowrap;
}
.optional input {
  font-style: italic;
}
.needs {
  line-height: 1.2;
}
.buttons {
  flex-wrap: nowrap;
}
@media (max-width: 900px) {
  .line {
    grid-template-columns: 60px 1fr 1fr;
  }
}
</style>
