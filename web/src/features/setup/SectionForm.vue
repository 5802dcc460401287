<script setup lang="ts">
// A section: name, grade or grades, minutes, children pasted as a column, meeting times.
import { mdiClose, mdiDoorOpen, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { rules } from '@/api/rules'
import TimeField from '@/components/TimeField.vue'
import { choices, say } from '@/locales/say'

// `now`: a weekday and a time, for a section that is in the room at this moment. `there`: it is in the school already.
const props = defineProps<{ now?: { weekday: number; starts: string }; there?: boolean }>()
const section = defineModel<Schemas['SectionBody']>({ required: true })
const of = (value: number) => ({ value, title: say('grade-of', { n: value }) })
const grades = [...Array.from({ length: 10 }, (_, n) => n - 1), 13].map(of)
const together = computed(() => [
  { value: null, title: say('section-form-upper-none') },
  ...(section.value.grade < 12 ? [of(section.value.grade + 1)] : []),
])
const upper = computed({
  get: () => (section.value.upper === section.value.grade + 1 ? section.value.upper : null),
  set: (grade) => (section.value.upper = grade),
})
const days = choices('weekdays', [0, 1, 2, 3, 4])
const counted = computed(() => section.value.names.split('\n').filter((name) => name.trim()).length)
const add = () => section.value.meetings.push({ weekday: 0, starts: '', minutes: null })
const schoolDay = computed(() =>
  props.now && props.now.weekday < days.length ? props.now : undefined,
)
const here = () =>
  schoolDay.value && section.value.meetings.push({ ...schoolDay.value, minutes: null })
</script>

<template>
  <div class="form">
    <div class="three">
      <v-text-field
        v-model="section.name"
        :label="say('section-form-name')"
        :rules="rules('SectionBody', 'name')"
        validate-on="blur"
        name="section"
      />
      <v-select v-model="section.grade" :items="grades" :label="say('section-form-grade')" />
      <v-number-input
        v-model="section.minutes"
        :min="10"
        :max="180"
        :step="5"
        :rules="rules('SectionBody', 'minutes')"
        :label="say('section-form-minutes')"
      />
      <v-select
        v-if="section.grade < 12"
        v-model="upper"
        :items="together"
        :label="say('section-form-upper')"
      />
    </div>
    <v-textarea
      v-if="!there"
      v-model="section.names"
      rows="7"
      :label="say('section-form-names')"
      :hint="`${say('section-form-names-hint')} ${say('section-form-counted', { n: counted })}`"
      persistent-hint
      name="names"
    />
    <fieldset>
      <legend class="small quiet meets">{{ say('section-form-meets') }}</legend>
      <div v-for="(meeting, index) in section.meetings" :key="index" class="meeting">
        <v-select v-model="meeting.weekday" :items="days" :label="say('section-form-day')" />
        <TimeField v-model="meeting.starts" :label="say('section-form-time')" />
        <v-number-input
          v-model="meeting.minutes"
          :min="10"
          :max="180"
          :step="5"
          :label="say('section-form-minutes-here')"
        />
        <v-btn
          :icon="mdiClose"
          :aria-label="say('section-form-remove-meeting')"
          @click="section.meetings.splice(index, 1)"
        />
      </div>
      <p v-if="!section.meetings.length" class="small">{{ say('section-form-when') }}</p>
      <div class="row acts">
        <v-btn
          v-if="schoolDay && !section.meetings.length"
          :prepend-icon="mdiDoorOpen"
          @click="here"
          >{{ say('section-form-here-now') }}</v-btn
        >
        <v-btn :prepend-icon="mdiPlus" @click="add">{{ say('section-form-add-meeting') }}</v-btn>
      </div>
    </fieldset>
    <v-checkbox
      v-if="!there"
      v-model="section.declare_earlier"
      :label="say('section-form-earlier')"
    />
  </div>
</template>

<style scoped>
.form {
  container-type: inline-size;
  display: grid;
  gap: 16px;
}
.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 12px;
}
.meets {
  padding-bottom: 10px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 10px;
  justify-items: start;
}
.meeting {
  width: 100%;
  display: grid;
  grid-template-columns: minmax(110px, 1.2fr) minmax(96px, 1fr) minmax(96px, 1fr) 44px;
  gap: 8px;
  align-items: start;
}
@container (max-width: 480px) {
  .meeting {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
