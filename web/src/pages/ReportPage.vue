<script setup lang="ts">
// The report on a child: put together from what was heard, changed by the teacher, kept by number, printed.
import { computed, reactive, ref, watch } from 'vue'
import {
  keepReport,
  printedReport,
  setReportWords,
  useReport,
  useReportWords,
} from '@/api/children'
import { useMe } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { teaches } from '@/composables/roles'
import { useKeep } from '@/composables/useKeep'
import { useTrail } from '@/composables/useTrail'
import { useUnsaved } from '@/composables/useUnsaved'
import { shortMoment } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{ id: string }>()
const me = useMe()
const mine = computed(() => teaches(me.data.value?.role))
const read = useReport(() => props.id)
const report = computed(() => read.data.value)
useTrail(() =>
  report.value
    ? [
        { says: report.value.section },
        { says: report.value.name, ...(mine.value ? { to: `/children/${props.id}` } : {}) },
        { says: say('report-title') },
      ]
    : [],
)
const texts = reactive<Record<string, string>>({})
const headings = computed(() => {
  const found = new Map<string, string>()
  for (const one of [...(report.value?.blocks ?? []), ...(report.value?.fresh ?? [])])
    found.set(one.key, one.heading)
  return found
})
function fill(blocks: readonly { key: string; text: string }[]) {
  for (const key of Object.keys(texts)) texts[key] = ''
  for (const one of blocks) texts[one.key] = one.text
}
watch(report, (now) => now && fill(now.blocks), { immediate: true })
const saved = computed(
  () => new Map((report.value?.blocks ?? []).map((one) => [one.key as string, one.text])),
)
const changed = computed(() =>
  Object.entries(texts).some(([key, text]) => (saved.value.get(key) ?? '') !== text),
)
useUnsaved(changed)
/** What was heard since it was kept would be said otherwise. */
const older = computed(
  () =>
    !!report.value?.number &&
    JSON.stringify(report.value.blocks) !== JSON.stringify(report.value.fresh),
)
const { refused, busy, keep } = useKeep()
const said = ref('')
async function keepIt() {
  if (await keep(() => keepReport(props.id, { ...texts })))
    said.value = say('report-kept', { n: report.value?.number ?? 1 })
}
const words = useReportWords()
const own = reactive<Record<string, string>>({})
watch(
  () => words.data.value,
  (now) => now?.forEach((one) => (own[one.key] = one.own)),
  { immediate: true },
)
async function keepWords() {
  if (await keep(() => setReportWords({ ...own }))) said.value = say('report-words-kept')
}
</script>

<template>
  <PageState v-if="!report" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page report">
    <header class="row spread">
      <div>
        <h1>{{ say('report-of', { name: report.name }) }}</h1>
        <p class="quiet">
          {{ report.section }} ·
          {{
            report.kept[0]
              ? say('report-version', {
                  n: report.kept[0].number,
                  when: shortMoment(report.kept[0].made),
                  by: report.kept[0].by,
                })
              : say('report-fresh')
          }}
        </p>
      </div>
      <div class="row">
        <v-btn :href="printedReport(id)" target="_blank">{{ say('set-print') }}</v-btn>
      </div>
    </header>
    <p v-if="older" class="row small">
      {{ say('report-older') }}
      <v-btn v-if="mine" size="small" height="44" @click="fill(report.fresh)">{{
        say('report-anew')
      }}</v-btn>
    </p>
    <p v-if="!headings.size" class="quiet">{{ say('report-nothing') }}</p>
    <form class="stack" @submit.prevent="keepIt">
      <template v-for="[key, heading] in headings" :key="key">
        <v-textarea
          v-if="mine"
          v-model="texts[key]"
          :label="heading"
          rows="1"
          auto-grow
          maxlength="2000"
        />
        <div v-else-if="texts[key]">
          <h2>{{ heading }}</h2>
          <p class="text">{{ texts[key] }}</p>
        </div>
      </template>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <div v-if="mine" class="row">
        <v-btn type="submit" class="main" size="large" :disabled="busy">{{
          say('report-keep')
        }}</v-btn>
        <span v-if="said" role="status">✓ {{ said }}</span>
        <span v-else-if="changed" class="quiet">{{ say('report-changed') }}</span>
      </div>
    </form>
    <details v-if="mine && words.data.value">
      <summary>{{ say('report-words') }}</summary>
      <form class="stack own" @submit.prevent="keepWords">
        <p class="small quiet">{{ say('report-words-how') }}</p>
        <v-text-field
          v-for="one in words.data.value"
          :key="one.key"
          v-model="own[one.key]"
          :label="one.heading"
          :placeholder="one.shipped"
          persistent-placeholder
          maxlength="400"
        />
        <div class="row">
          <v-btn type="submit" height="44" :disabled="busy">{{ say('more-keep') }}</v-btn>
        </div>
      </form>
    </details>
    <p class="small quiet">{{ say('report-never') }}</p>
  </div>
</template>

<style scoped>
.report {
  max-width: 860px;
  gap: 16px;
}
.text {
  white-space: pre-line;
}
.own {
  gap: 10px;
}
summary {
  cursor: pointer;
  min-height: 44px;
  display: list-item;
}
</style>
