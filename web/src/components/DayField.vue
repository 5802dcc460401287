<script setup lang="ts">
// A day: typed as the school writes days, or picked from a month. It stands as 2026-11-24 outside.
import { mdiCalendarMonthOutline } from '@mdi/js'
import { computed, ref, watch } from 'vue'
import { readDay, writtenDay } from '@/composables/words'
import { say } from '@/locales/say'

defineProps<{ label: string; disabled?: boolean }>()
const day = defineModel<string | null>({ required: true })
const text = ref('')
const open = ref(false)
// While one types, what is written stays as it is written.
watch(
  day,
  (now) => {
    if (!now || readDay(text.value, year()) !== now) text.value = now ? writtenDay(now) : ''
  },
  { immediate: true },
)
function year() {
  return Number((day.value ?? new Date().toISOString()).slice(0, 4))
}
const wrong = computed(() =>
  text.value.trim() && !readDay(text.value, year())
    ? say('day-unread', { example: writtenDay('2026-11-24') })
    : '',
)
/** A whole date counts as soon as it stands there; a short one once one goes on. */
function typed(whole = false) {
  if (!text.value.trim()) day.value = null
  else if (!whole || (text.value.match(/\d+/g) ?? []).length === 3)
    day.value = readDay(text.value, year()) ?? day.value
}
function left() {
  typed()
  if (day.value && readDay(text.value, year()) === day.value) text.value = writtenDay(day.value)
}
function picked(at: unknown) {
  if (!(at instanceof Date)) return
  const two = (n: number) => String(n).padStart(2, '0')
  day.value = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
  open.value = false
}
</script>

<template>
  <v-text-field
    v-model="text"
    class="day-field"
    :label="label"
    :disabled="disabled"
    :error-messages="wrong"
    autocomplete="off"
    @update:model-value="typed(true)"
    @change="left"
  >
    <template #append-inner>
      <v-menu v-model="open" :close-on-content-click="false">
        <template #activator="{ props: opens }">
          <v-btn
            v-bind="opens"
            :icon="mdiCalendarMonthOutline"
            size="small"
            variant="text"
            :disabled="disabled"
            :aria-label="say('day-pick', { what: label })"
          />
        </template>
        <v-date-picker
          :model-value="day ? new Date(`${day}T12:00`) : null"
          hide-header
          show-adjacent-months
          :first-day-of-week="1"
          @update:model-value="picked"
        />
      </v-menu>
    </template>
  </v-text-field>
</template>

<style scoped>
.day-field {
  min-width: 168px;
}
</style>
