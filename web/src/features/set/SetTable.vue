<script setup lang="ts">
// Lessons across, slots down; the contour on top, the minutes at the foot.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import LessonContour from '@/components/LessonContour.vue'
import { clock, shortDay } from '@/composables/words'
import { say } from '@/locales/say'
import SetCell from './SetCell.vue'
import { cellsAt, rowsOf, type Place } from './table'

const props = defineProps<{ set: Schemas['SetRead']; picked: Place | null }>()
const emit = defineEmits<{ pick: [place: Place]; move: [from: Place, to: Place] }>()
const rows = computed(() => rowsOf(props.set))
let dragged: Place | null = null
function drop(to: Place) {
  if (dragged && (dragged.lesson !== to.lesson || dragged.slot !== to.slot))
    emit('move', dragged, to)
  dragged = null
}
const mine = (column: Schemas['SetColumnRead']) =>
  column.cells.filter((cell) => cell.sections.includes(column.boxes[0]?.section ?? ''))
</script>

<template>
  <!-- Native: a grid of cells whose heads stay in place. -->
  <div class="scroll" tabindex="0" role="group" :aria-label="set.name">
    <table>
      <thead>
        <tr>
          <td class="corner"></td>
          <th v-for="(column, lesson) in set.columns" :key="lesson" scope="col">
            <LessonContour
              v-if="column.cells.length"
              :blocks="mine(column).map((cell) => cell.part)"
              :height="36"
              :current="
                picked?.lesson === lesson
                  ? mine(column).findIndex((cell) => cell.part.slot_id === picked?.slot)
                  : -1
              "
            />
            <span v-for="box in column.boxes" :key="box.section_id" class="box">
              <router-link v-if="box.lesson_id" :to="`/lessons/${box.lesson_id}`">{{
                box.section
              }}</router-link><span v-else>{{ box.section }}</span>
              <span class="quiet narrow">{{ shortDay(box.day) }} {{ clock(box.starts) }}</span>
            </span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.slot">
          <th scope="row" class="slot">{{ row.name }}</th>
          <td v-for="(column, lesson) in set.columns" :key="lesson">
            <div class="cells">
              <SetCell
                v-for="cell in cellsAt(column, row.slot)"
                :key="cell.part.id"
                :cell="cell"
                :picked="
                  picked?.lesson === lesson &&
                  picked.slot === row.slot &&
                  (!picked.part || picked.part === cell.part.id)
                "
                @pick="emit('pick', { lesson, slot: row.slot, part: cell.part.id })"
                @drag="dragged = { lesson, slot: row.slot, part: cell.part.id }"
                @drop="drop({ lesson, slot: row.slot, part: cell.part.id })"
              />
            </div>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row" class="slot">{{ say('set-minutes') }}</th>
          <td
            v-for="(column, lesson) in set.columns"
            :key="lesson"
            class="narrow sum"
            :title="column.counted"
          >
            {{ say('lesson-minutes', { n: column.planned, of: column.available }) }}
            <span v-for="one in column.unmet" :key="one.sentence" class="small quiet unmet"
              >· {{ one.sentence }}</span
            >
          </td>
        </tr>
      </tfoot>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  flex: none;
  min-width: 0;
}
table {
  border-collapse: separate;
  border-spacing: 6px 4px;
  table-layout: fixed;
  width: 100%;
  min-width: 900px;
}
th,
td {
  vertical-align: top;
  text-align: left;
}
.corner {
  width: 74px;
}
td {
  height: 1px; /* so that a cell may fill it */
}
.slot {
  position: sticky;
  left: 0;
  background: var(--paper);
  font-size: 14px;
  font-weight: 600;
  color: var(--granite);
  padding-top: 6px;
  z-index: 1;
}
.box {
  display: block;
  font-size: 14px;
}
.cells {
  display: grid;
  gap: 4px;
  height: 100%;
}
.sum {
  height: auto;
}
.unmet {
  display: block;
  font-family: inherit;
}
</style>
