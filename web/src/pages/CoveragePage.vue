<script setup lang="ts">
// What is there to teach each thing with, and where is too little? One row a concept; thin ones say what would help.
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useCoverage } from '@/api/activities'
import ConceptSign from '@/components/ConceptSign.vue'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import { say, sayOf } from '@/locales/say'

const COLUMNS = ['songs', 'clear', 'pieces', 'prepare', 'present', 'practise', 'heard'] as const
useTrail(() => [{ says: say('sequence-title'), to: '/sequence' }, { says: say('coverage-title') }])
const router = useRouter()
const read = useCoverage()
const thinOnly = ref(true)
const grade = ref<number | null>(null)
const grades = computed(() =>
  [...new Set((read.data.value ?? []).map((one) => one.concept.grade))]
    .sort((a, b) => a - b)
    .map((value) => ({ value, title: say('grade-of', { n: value }) })),
)
const thin = computed(() => (read.data.value ?? []).filter((one) => one.fills.length).length)
const shown = computed(() =>
  (read.data.value ?? []).filter(
    (one) =>
      (grade.value === null || one.concept.grade === grade.value) &&
      (!thinOnly.value || one.fills.length > 0),
  ),
)
</script>

<template>
  <PageState v-if="!read.data.value" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page">
    <header>
      <h1>{{ say('coverage-title') }}</h1>
      <p class="quiet">
        {{ say('coverage-lead', { n: thin, all: read.data.value.length }) }}
      </p>
    </header>
    <div class="row">
      <v-select
        v-model="grade"
        class="grade"
        :label="say('activities-grade')"
        :items="grades"
        clearable
      />
      <v-checkbox v-model="thinOnly" :label="say('coverage-thin')" />
      <v-btn @click="router.push('/activities/new')">{{ say('activities-write') }}</v-btn>
    </div>
    <!-- Native: a table of facts. -->
    <div class="wide" tabindex="0" role="region" :aria-label="say('coverage-title')">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ say('coverage-concept') }}</th>
            <th v-for="key in COLUMNS" :key="key" scope="col" class="number">
              {{ sayOf('coverage-column', key) }}
            </th>
            <th scope="col">{{ say('coverage-fills') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in shown" :key="one.concept.key">
            <th scope="row">
              <span class="name"
                ><ConceptSign
                  v-if="one.concept.sign !== one.concept.name"
                  :sign="one.concept.sign"
                  :name="one.concept.name"
                  :height="20"
                />{{ one.concept.name }}</span
              ><span class="small quiet">{{ say('grade-of', { n: one.concept.grade }) }}</span>
            </th>
            <td
              v-for="key in COLUMNS"
              :key="key"
              :class="['number', { thin: one.supply.find((each) => each.key === key)?.thin }]"
            >
              {{ one.supply.find((each) => each.key === key)?.thin ? '△ ' : ''
              }}{{ one.supply.find((each) => each.key === key)?.count }}
            </td>
            <td class="small">
              <p v-for="says in one.fills" :key="says">{{ says }}</p>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.grade {
  flex: 0 0 200px;
}
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 8px 10px 8px 0;
  border-top: 1px solid var(--line);
  font-weight: 400;
}
thead th {
  border-top: 0;
  font-size: 15px;
  color: var(--granite);
  vertical-align: bottom;
}
tbody th {
  min-width: 170px;
}
.name {
  display: flex;
  gap: 8px;
  align-items: center;
  font-weight: 600;
}
.number {
  text-align: right;
  white-space: nowrap;
  padding-right: 18px;
}
thead .number {
  white-space: normal;
  max-width: 84px;
}
.thin {
  color: var(--aloe);
  font-weight: 600;
}
</style>
