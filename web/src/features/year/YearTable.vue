<script setup lang="ts">
// The ridge as words: every arc with its days.
import type { Schemas } from '@/api/client'
import { capital, shortDay } from '@/composables/words'
import { phaseName } from '@/locales/names'
import { say } from '@/locales/say'

defineProps<{ year: Schemas['YearRead'] }>()
const order = ['prepare', 'present', 'practise', 'warm', 'assess'] as const
const span = (year: Schemas['YearRead'], arc: Schemas['ArcRead'], phase: string) =>
  arc.phases
    .filter((run) => run.phase === phase)
    .map(
      ({ first: from, last: to }) =>
        `${shortDay(year.lessons[from - 1] ?? '')}${to > from ? ` – ${shortDay(year.lessons[to - 1] ?? '')}` : ''}`,
    )
    .join(', ')
</script>

<template>
  <details>
    <summary>{{ say('year-table') }}</summary>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ say('year-concept') }}</th>
            <th v-for="phase in order" :key="phase" scope="col">{{ capital(phaseName(phase)) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="arc in year.arcs" :key="arc.concept.key">
            <th scope="row">{{ capital(arc.concept.name) }}</th>
            <td v-for="phase in order" :key="phase">{{ span(year, arc, phase) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  padding: 6px 0;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  font-size: 14px;
  width: 100%;
}
th,
td {
  text-align: left;
  padding: 5px 12px 5px 0;
  border-top: 1px solid var(--line);
  font-weight: 400;
  white-space: nowrap;
}
tbody th {
  font-weight: 650;
}
thead th {
  color: var(--granite);
}
</style>
