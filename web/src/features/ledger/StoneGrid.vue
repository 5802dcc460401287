<script setup lang="ts">
// Native: thousands of cells; a component each would take seconds.
// Children down, concepts across; heads stay, arrow keys walk, one stop for Tab.
import { computed, nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import StandingGlyph from '@/components/StandingGlyph.vue'
import { standingName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  ledger: Schemas['LedgerRead']
  picked: { child: string; concept: string } | null
  /** Rows by their place on the roll, and columns, that are shown. */
  rows: readonly number[]
  columns: readonly Schemas['ColumnRead'][]
}>()
const emit = defineEmits<{ pick: [child: string, concept: string] }>()
interface Stone {
  level: string
  due?: boolean
  partly?: boolean
  said?: boolean
}
const LETTERS: Record<string, Stone> = {
  s: { level: 'secure' },
  d: { level: 'secure', due: true },
  o: { level: 'once' },
  e: { level: 'once', due: true },
  n: { level: 'nearly' },
  y: { level: 'not_yet' },
  p: { level: 'not_heard', partly: true },
  S: { level: 'secure', said: true },
  O: { level: 'once', said: true },
  N: { level: 'nearly', said: true },
  Y: { level: 'not_yet', said: true },
}
const stones = computed(
  () =>
    new Map(
      Object.entries(props.ledger.stones).flatMap(([concept, row]) =>
        row
          .split(' ')
          .map((stone) => [`${stone.slice(0, -1)}/${concept}`, LETTERS[stone.slice(-1)]] as const),
      ),
    ),
)
const stone = (row: number, concept: string): Stone =>
  stones.value.get(`${row}/${concept}`) ?? { level: 'not_heard' }
const spoken = (row: number, concept: string) => {
  const found = stone(row, concept)
  const standing = standingName(found.level, found.due, found.partly)
  return found.said ? say('word-said', { standing }) : standing
}
const shown = computed(() =>
  props.rows.flatMap((place) => {
    const one = props.ledger.children[place]
    return one ? [{ ...one, place }] : []
  }),
)
const at = ref({ row: 0, column: 0 })
const table = ref<HTMLTableElement>()
async function walk(rows: number, columns: number) {
  // Above the first row are the heads: what is to be done in a column.
  const row = Math.min(Math.max(at.value.row + rows, -1), props.rows.length - 1)
  const column = Math.min(Math.max(at.value.column + columns, 0), props.columns.length - 1)
  at.value = { row, column }
  await nextTick()
  table.value?.querySelector<HTMLButtonElement>(`[data-at='${row}-${column}']`)?.focus()
}
const strands = computed(() => {
  const groups: { name: string; span: number }[] = []
  for (const column of props.columns) {
    const last = groups.at(-1)
    if (last?.name === column.concept.strand) last.span += 1
    else groups.push({ name: column.concept.strand, span: 1 })
  }
  return groups
})
</script>

<template>
  <div class="scroll" tabindex="-1">
    <table
      ref="table"
      @keydown.right.prevent="walk(0, 1)"
      @keydown.left.prevent="walk(0, -1)"
      @keydown.down.prevent="walk(1, 0)"
      @keydown.up.prevent="walk(-1, 0)"
    >
      <thead>
        <tr class="strands">
          <td class="corner"></td>
          <th
            v-for="(group, index) in strands"
            :key="index"
            :colspan="group.span"
            scope="colgroup"
            class="small narrow"
          >
            <span>{{ group.name }}</span>
          </th>
        </tr>
        <tr>
          <th scope="col" class="corner small quiet">{{ say('ledger-children') }}</th>
          <th
            v-for="(column, place) in columns"
            :key="column.concept.key"
            scope="col"
            :class="{ on: picked?.concept === column.concept.key }"
          >
            <button
              class="head"
              :data-at="`-1-${place}`"
              :tabindex="at.row === -1 && place === at.column ? 0 : -1"
              :aria-pressed="picked?.concept === column.concept.key && !picked.child"
              @focus="at = { row: -1, column: place }"
              @click="emit('pick', '', column.concept.key)"
            >
              <ConceptSign :sign="column.concept.sign" :name="column.concept.name" :height="22" />
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="({ id, name, place: at_ }, row) in shown" :key="id">
          <th scope="row" :class="{ on: picked?.child === id }">
            <router-link :to="`/children/${id}`" class="who" tabindex="-1">{{ name }}</router-link>
          </th>
          <td v-for="(column, place) in columns" :key="column.concept.key">
            <button
              :data-at="`${row}-${place}`"
              :tabindex="row === at.row && place === at.column ? 0 : -1"
              :class="{ on: picked?.child === id && picked?.concept === column.concept.key }"
              :aria-label="`${name}, ${column.concept.name}: ${spoken(at_, column.concept.key)}`"
              @focus="at = { row, column: place }"
              @click="emit('pick', id, column.concept.key)"
            >
              <StandingGlyph v-bind="stone(at_, column.concept.key)" :size="22" plain />
            </button>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">{{ say('ledger-readiness') }}</th>
          <td
            v-for="column in columns"
            :key="column.concept.key"
            :class="['foot narrow', column.answer]"
            :title="column.sentence"
          >
            <span class="share">{{
              column.heard ? say('ledger-share', { good: column.secure, heard: column.heard }) : '–'
            }}</span><span class="answer">{{ sayOf('ledger-answers', column.answer) }}</span>
          </td>
        </tr>
      </tfoot>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
  min-height: 0;
}
table {
  border-collapse: separate;
  border-spacing: 0;
}
th,
td {
  text-align: center;
  padding: 0;
  font-weight: 400;
}
thead th,
thead td {
  position: sticky;
  background: var(--sheet);
  z-index: 2;
  height: 42px;
  border-bottom: 1px solid var(--line);
  min-width: 62px;
  padding: 2px 5px;
}
.strands th,
.strands td {
  height: 22px;
  top: 0;
  border-bottom: 0;
  text-align: left;
  color: var(--granite);
  border-left: 1px solid var(--line);
}
.strands span {
  display: block;
  max-width: 0;
  min-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
thead tr:nth-child(2) th {
  top: 22px;
}
thead th.on,
tbody th.on {
  background: var(--dusk-wash);
}
.head {
  height: 38px;
}
.who {
  color: inherit;
  text-decoration: none;
  display: block;
  line-height: 30px;
}
.who:hover {
  text-decoration: underline;
}
.corner,
tbody th,
tfoot th {
  position: sticky;
  left: 0;
  background: var(--sheet);
  z-index: 1;
  text-align: left;
  padding: 0 14px 0 12px;
  white-space: nowrap;
  min-width: 118px;
}
thead .corner {
  z-index: 3;
}
tbody th {
  border-top: 1px solid color-mix(in srgb, var(--line) 45%, transparent);
}
tbody td {
  border-top: 1px solid color-mix(in srgb, var(--line) 45%, transparent);
}
button {
  width: 100%;
  height: 30px;
  display: grid;
  place-items: center;
}
button:hover {
  background: var(--wash);
}
button.on {
  background: var(--dusk-wash);
  outline: 2px solid var(--dusk);
  outline-offset: -2px;
}
tfoot th,
tfoot td {
  position: sticky;
  bottom: 0;
  background: var(--paper);
  border-top: 2px solid var(--granite);
  height: 52px;
  z-index: 1;
}
tfoot th {
  z-index: 2;
  font-weight: 650;
  background: var(--paper);
}
.foot {
  line-height: 1.1;
}
.share {
  display: block;
  font-size: 15px;
  font-weight: 600;
}
.answer {
  font-size: 13px;
}
.foot.ready {
  color: var(--lichen);
}
.foot.teach_again,
.foot.split {
  color: var(--aloe);
}
.foot.hear_more,
.foot.nobody_heard {
  color: var(--granite);
}
@media (max-width: 900px) {
  button {
    height: 44px;
  }
}
</style>
