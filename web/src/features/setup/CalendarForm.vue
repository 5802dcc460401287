<script setup lang="ts">
// Terms, holidays and the kind of timetable, as a table that is edited in place.
import { rules } from '@/api/rules'
import { mdiClose, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useDraft } from '@/api/drafts'
import DayField from '@/components/DayField.vue'
import { say } from '@/locales/say'

const props = defineProps<{ calendar: Schemas['CalendarRead']; busy: boolean }>()
const emit = defineEmits<{ keep: [periods: Schemas['PeriodsBody']] }>()
type Row = Schemas['SpanBody']
const { draft } = useDraft(
  () => '/calendar',
  () => props.calendar,
  (now) => ({
    terms: now.terms.map((one) => ({ ...one })),
    holidays: now.holidays.map((one) => ({ ...one })),
    cycle: now.cycle,
  }),
)
const terms = computed(() => draft.value?.terms ?? [])
const holidays = computed(() => draft.value?.holidays ?? [])
const fresh = (name: string): Row => ({
  name,
  first: terms.value.at(-1)?.last ?? '',
  last: terms.value.at(-1)?.last ?? '',
})
const cycles = [0, 4, 5, 6, 7, 8, 10]
const complete = () =>
  [...terms.value, ...holidays.value].every((row) => row.first && row.last) &&
  terms.value.length > 0
</script>

<template>
  <form v-if="draft" class="stack" @submit.prevent="emit('keep', draft)">
    <fieldset
      v-for="part in [
        { says: say('calendar-terms'), rows: terms, add: say('calendar-add-term') },
        { says: say('calendar-holidays'), rows: holidays, add: say('calendar-add-holiday') },
      ]"
      :key="part.says"
    >
      <legend>{{ part.says }}</legend>
      <div v-for="(row, index) in part.rows" :key="index" class="span">
        <v-text-field
          v-model="row.name"
          :label="say('calendar-name')"
          :aria-label="`${part.says} ${index + 1}: ${say('calendar-name')}`"
          :rules="rules('SpanBody', 'name')"
          validate-on="blur"
        /><DayField
          v-model="row.first"
          :label="say('calendar-first')"
          :aria-label="`${row.name}: ${say('calendar-first')}`"
          required
        /><DayField
          v-model="row.last"
          :label="say('calendar-last')"
          :aria-label="`${row.name}: ${say('calendar-last')}`"
          required
        />
        <v-btn
          :icon="mdiClose"
          size="small"
          :aria-label="`${say('calendar-remove')}: ${row.name}`"
          @click="part.rows.splice(index, 1)"
        />
      </div>
      <v-btn size="small" :prepend-icon="mdiPlus" @click="part.rows.push(fresh(''))">{{
        part.add
      }}</v-btn>
    </fieldset>
    <v-select
      v-model="draft.cycle"
      :label="say('calendar-cycle')"
      :items="
        cycles.map((one) => ({
          value: one,
          title: one ? say('calendar-days', { n: one }) : say('calendar-weekly'),
        }))
      "
    />
    <div>
      <v-btn type="submit" class="main" :disabled="busy || !complete()">{{
        say('calendar-save')
      }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.stack {
  gap: 16px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 12px;
  justify-items: start;
}
legend {
  font-weight: 650;
  padding-bottom: 6px;
}
.span {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px 170px 44px;
  gap: 6px;
  width: 100%;
}
@media (max-width: 600px) {
  .span {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
