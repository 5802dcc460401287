<script setup lang="ts">
// Native: a table of many small cells.
// The sections of a grade side by side: how many of those heard have it, and what is to be done.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  ledgers: readonly Schemas['LedgerRead'][]
  /** What is shown of the first. */
  columns: readonly Schemas['ColumnRead'][]
}>()
/** What the first shows in its order, then what only another has. */
const concepts = computed(() => {
  const [first, ...others] = props.ledgers
  const known = new Set(first?.columns.map((one) => one.concept.key))
  const more = others.flatMap((one) => one.columns).filter((one) => !known.has(one.concept.key))
  return [
    ...new Map([...props.columns, ...more].map((one) => [one.concept.key, one.concept])).values(),
  ]
})
const rows = computed(() =>
  concepts.value.map((concept) => ({
    concept,
    cells: props.ledgers.map((ledger) => ({
      section: ledger.section,
      found: ledger.columns.find((one) => one.concept.key === concept.key),
    })),
  })),
)
</script>

<template>
  <div class="scroll" tabindex="-1">
    <table>
      <thead>
        <tr>
          <th scope="col">{{ say('ledger-beside-concept') }}</th>
          <th v-for="one in ledgers" :key="one.section.id" scope="col">
            <router-link :to="`/sections/${one.section.id}/ledger`">{{
              one.section.name
            }}</router-link>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.concept.key">
          <th scope="row" class="concept">
            <ConceptSign
              v-if="row.concept.sign !== row.concept.name"
              :sign="row.concept.sign"
              :name="row.concept.name"
              :height="20"
            /><span>{{ row.concept.name }}</span>
          </th>
          <td v-for="cell in row.cells" :key="cell.section.id" :title="cell.found?.sentence">
            <template v-if="cell.found && cell.found.heard"
              ><span class="bar" aria-hidden="true"
                ><span :style="{ width: `${(100 * cell.found.secure) / cell.found.heard}%` }"></span
              ></span>
              {{ say('ledger-beside-of', { n: cell.found.secure, of: cell.found.heard }) }},
              {{ sayOf('ledger-answers', cell.found.answer) }}</template
            ><span v-else class="quiet">{{ say('ledger-beside-none') }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  min-height: 0;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 6px 28px 6px 0;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  font-size: 18px;
}
.concept {
  display: flex;
  gap: 10px;
  align-items: center;
  font-weight: 400;
}
.bar {
  display: inline-block;
  width: 72px;
  height: 10px;
  border: 1px solid var(--lichen);
  margin-right: 6px;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--lichen);
}
</style>
