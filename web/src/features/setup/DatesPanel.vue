<script setup lang="ts">
// The year's dates: terms, holidays, the kind of week; holidays from a calendar file; lessons as one.
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import { readHolidays, type useCalendarActs } from '@/api/year'
import FileField from '@/components/FileField.vue'
import { offerUndo } from '@/composables/useUndo'
import { say } from '@/locales/say'
import CalendarForm from './CalendarForm.vue'

const props = defineProps<{
  calendar: Schemas['CalendarRead']
  acts: ReturnType<typeof useCalendarActs>
  busy: boolean
}>()
const said = ref('')
const refused = ref('')
const read = ref<Schemas['CalendarRead'] | null>(null)
async function keep(periods: Schemas['PeriodsBody']) {
  const { terms, holidays, cycle } = props.calendar
  await props.acts.periods.mutateAsync(periods)
  read.value = null
  said.value = say('calendar-saved')
  if (terms.length)
    offerUndo(say('kept-dates'), () => props.acts.periods.mutateAsync({ terms, holidays, cycle }))
}
async function holidaysFrom([file]: File[]) {
  if (!file) return
  said.value = refused.value = ''
  try {
    const found = await readHolidays(file)
    read.value = { ...props.calendar, holidays: [...props.calendar.holidays, ...found] }
    said.value = say('calendar-brought', { n: found.length })
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
</script>

<template>
  <section id="dates" class="stack">
    <h1>{{ say('calendar-title') }}</h1>
    <CalendarForm :calendar="read ?? calendar" :busy="busy" @keep="keep" />
    <div class="row">
      <FileField
        :label="say('calendar-bring')"
        accept=".ics,text/calendar"
        @files="holidaysFrom"
      /><a href="/api/calendar.ics" download>{{ say('calendar-out') }}</a>
    </div>
    <p v-if="said" class="secure" role="status">✓ {{ said }}</p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
  </section>
</template>

<style scoped>
.stack {
  gap: 16px;
}
</style>
