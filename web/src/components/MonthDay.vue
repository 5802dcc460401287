<script setup lang="ts">
// A day of every year, as month and day: "10-01", or nothing.
import { computed } from 'vue'
import { monthLong } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{ label: string; none: string }>()
const said = defineModel<string>({ required: true })
const months = computed(() => Array.from({ length: 12 }, (_, n) => monthLong(n)))
const month = computed(() => Number(said.value.slice(0, 2)) || 0)
const day = computed(() => Number(said.value.slice(3)) || 1)
const longest = computed(() => (month.value ? new Date(2024, month.value, 0).getDate() : 31))
const two = (n: number) => String(n).padStart(2, '0')
function set(newMonth: number, newDay: number) {
  said.value = newMonth
    ? `${two(newMonth)}-${two(Math.min(Math.max(newDay || 1, 1), new Date(2024, newMonth, 0).getDate()))}`
    : ''
}
</script>

<template>
  <fieldset class="row">
    <legend class="small quiet">{{ props.label }}</legend>
    <v-select
      :model-value="month"
      :aria-label="say('month-day-month', { what: label })"
      :items="[
        { value: 0, title: none },
        ...months.map((name, n) => ({ value: n + 1, title: name })),
      ]"
      @update:model-value="set($event, day)"
    />
    <v-number-input
      v-if="month"
      :model-value="day"
      :aria-label="say('month-day-day', { what: label })"
      :min="1"
      :max="longest"
      @update:model-value="set(month, $event)"
    />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  gap: 8px;
}
</style>
