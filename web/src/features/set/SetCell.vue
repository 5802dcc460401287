<script setup lang="ts">
// Native: a cell of a table to choose and to drag.
// One part in a set: minutes, what, with what, for which concept, how it has grown; new, pinned, just changed.
import { mdiPin } from '@mdi/js'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import { purposeName } from '@/locales/names'
import { say } from '@/locales/say'

defineProps<{ cell: Schemas['SetCellRead']; picked: boolean }>()
defineEmits<{ pick: []; drop: []; drag: [] }>()
</script>

<template>
  <button
    :class="['cell', { picked, new: cell.part.new, changed: cell.changed }]"
    data-space-through
    draggable="true"
    :aria-pressed="picked"
    @click="$emit('pick')"
    @dragstart="$emit('drag')"
    @dragover.prevent
    @drop.prevent="$emit('drop')"
  >
    <span class="head"
      ><span class="minutes narrow">{{ cell.part.minutes }}</span
      ><strong>{{ cell.part.title }}</strong
      ><v-icon v-if="cell.part.pinned" :icon="mdiPin" size="14" :aria-label="say('lesson-pinned')"
    /></span>
    <span v-if="cell.part.song || cell.part.piece" class="thing">{{
      cell.part.song?.title ?? cell.part.piece?.title
    }}</span>
    <span v-if="cell.part.concept" class="concept"
      ><ConceptSign
        :sign="cell.part.concept.sign"
        :name="cell.part.concept.name"
        :height="16"
      /><span v-if="cell.part.purpose" class="small">{{
        purposeName(cell.part.purpose)
      }}</span></span
    >
    <span class="foot small">
      <span v-if="cell.part.new" class="is-new">▲ {{ cell.part.new }}</span
      ><span v-else-if="cell.grows" class="quiet">{{ cell.grows }}</span
      ><span v-if="cell.part.left_over" class="hatched">{{ say('lesson-left-over') }}</span
      ><span v-if="!cell.everywhere" class="only">{{ cell.sections.join(', ') }}</span
      ><span v-if="cell.changed" class="quiet">{{ say('set-changed') }}</span>
    </span>
  </button>
</template>

<style scoped>
.cell {
  display: grid;
  align-content: start;
  gap: 2px;
  width: 100%;
  height: 100%;
  min-height: 76px;
  padding: 5px 7px 6px;
  text-align: left;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 2px;
  color: var(--ink);
  font-size: 14px;
  line-height: 1.25;
  cursor: pointer;
}
.cell:hover {
  border-color: var(--granite);
}
.cell.new {
  border-left: 5px solid var(--aloe);
}
.cell.changed {
  border-style: dashed;
  border-color: var(--granite);
}
.cell.picked {
  outline: 3px solid var(--dusk);
  outline-offset: -2px;
}
.head {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.minutes {
  color: var(--granite);
  min-width: 1.1em;
}
.thing {
  padding-left: 1.5em;
}
.concept {
  display: flex;
  align-items: center;
  gap: 6px;
  padding-left: 1.5em;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  padding-left: 1.5em;
}
.is-new {
  color: var(--aloe);
  font-weight: 600;
}
.only {
  font-weight: 600;
}
</style>
