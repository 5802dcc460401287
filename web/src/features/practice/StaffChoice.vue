<script setup lang="ts">
// How an exercise is written: a rhythm as notes, sticks or boxes; a melody on five lines with a clef, or on one to five lines with
// do at a place of its own; the meter as two numbers, or as a number over a note.
import { computed } from 'vue'
import { choices, say } from '@/locales/say'

export interface Written {
  rhythm: 'notes' | 'sticks' | 'boxes'
  staff: 'usual' | 'bass' | '1' | '2' | '3' | '5'
  place: number
  /** The meter as a number over the note that is the beat. */
  overNote: boolean
}
const props = defineProps<{ pitched: boolean; written: Written }>()
const emit = defineEmits<{ change: [written: Written] }>()
const lines = computed(() => Number(props.written.staff) || 0)
/** Lines and spaces, and the places beside them. */
const places = computed(() =>
  Array.from({ length: 2 * lines.value + 1 }, (_, place) => ({
    value: place,
    title:
      place === 0
        ? say('staff-below')
        : place === 2 * lines.value
          ? say('staff-above')
          : place % 2
            ? say('staff-line', { n: (place + 1) / 2 })
            : say('staff-space', { n: place / 2 }),
  })),
)
const set = (changed: Partial<Written>) => emit('change', { ...props.written, ...changed })
function staff(to: Written['staff']) {
  const many = Number(to)
  set({ staff: to, place: many ? Math.max(0, many - 2) : 0 })
}
</script>

<template>
  <div class="row written">
    <v-select
      v-if="!pitched"
      :model-value="written.rhythm"
      :label="say('staff-written')"
      :items="choices('staff-rhythm', ['notes', 'sticks', 'boxes'])"
      @update:model-value="set({ rhythm: $event })"
    />
    <template v-else>
      <v-select
        :model-value="written.staff"
        :label="say('staff-written')"
        :items="choices('staff-staff', ['usual', 'bass', '1', '2', '3', '5'])"
        @update:model-value="staff($event)"
      />
      <v-select
        v-if="lines"
        :model-value="written.place"
        :label="say('staff-do')"
        :items="places"
        @update:model-value="set({ place: $event })"
      />
    </template>
    <v-select
      v-if="written.rhythm !== 'boxes'"
      :model-value="written.overNote ? 'note' : 'number'"
      :label="say('staff-meter')"
      :items="choices('staff-meter', ['number', 'note'])"
      @update:model-value="set({ overNote: $event === 'note' })"
    />
  </div>
</template>

<style scoped>
.written > * {
  flex: 0 0 190px;
}
</style>
