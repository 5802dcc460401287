<script setup lang="ts">
// A day of every year, as month and day: "10-01", or nothing.
import { computed } from 'vue'
import { say } from '@/locales/say'

const props = defineProps<{ label: string; none: string }>()
const said = defineModel<string>({ required: true })
const months = Array.from({ length: 12 }, (_, n) =>
  new Date(2024, n, 1).toLocaleDateString('en-GB', { month: 'long' }),
)
const month = computed(() => Number(said.value.slice(0, 2)) || 0)
const day = computed(() => Number(said.value.slice(3)) || 1)
const longest = computed(() => (month.value ? new Date(2024, month.value, 0).getDate() : 31))
const two = (n: number) => String(n).padStart(2, '0')
function set(newMonth: number, newDay: number) {
  said.value = newMonth
    ? `${two(newMonth)}-${two(Math.min(Math.max(newDay || 1, 1), new Date(2024, newMonth, 0).getDate()))}`
    : ''
}
const value = (event: Event) => Number((event.target as HTMLInputElement).value)
</script>

<template>
  <fieldset class="row">
    <legend class="small quiet">{{ props.label }}</legend>
    <select
      :value="month"
      :aria-label="say('month-day-month', { what: label })"
      @change="set(value($event), day)"
    >
      <option :value="0">{{ none }}</option>
      <option v-for="(name, n) in months" :key="name" :value="n + 1">{{ name }}</option>
    </select>
    <input
      v-if="month"
      type="number"
      min="1"
      :max="longest"
      :value="day"
      :aria-label="say('month-day-day', { what: label })"
      @change="set(month, value($event))"
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
select,
input {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 2px;
  padding: 5px 8px;
  min-height: 40px;
}
input {
  width: 72px;
}
</style>
