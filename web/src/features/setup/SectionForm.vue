<script setup lang="ts">
// A section: name, grade, minutes, children pasted as a column, meeting times.
import { mdiClose, mdiDoorOpen, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { choices, say } from '@/locales/say'

// `now`: a weekday and a time, for a section that is in the room at this moment.
const props = defineProps<{ now?: { weekday: number; starts: string } }>()
const section = defineModel<Schemas['SectionBody']>({ required: true })
const grades = [...Array.from({ length: 9 }, (_, value) => value), 13].map((value) => ({
  value,
  title: say('section-form-grade-of', { n: value }),
}))
const days = choices('weekdays', [0, 1, 2, 3, 4])
const counted = computed(() => section.value.names.split('\n').filter((name) => name.trim()).length)
const add = () => section.value.meetings.push({ weekday: 0, starts: '09:00', minutes: null })
const schoolDay = computed(() =>
  props.now && props.now.weekday < days.length ? props.now : undefined,
)
const here = () =>
  schoolDay.value && section.value.meetings.push({ ...schoolDay.value, minutes: null })
const minutes = (meeting: Schemas['MeetingBody'], text: string) => {
  meeting.minutes = text ? Number(text) : null
}
</script>

<template>
  <div class="form">
    <div class="three">
      <v-text-field v-model="section.name" :label="say('section-form-name')" name="section" />
      <v-select v-model="section.grade" :items="grades" :label="say('section-form-grade')" />
      <v-text-field
        v-model.number="section.minutes"
        type="number"
        min="10"
        max="180"
        step="5"
        :label="say('section-form-minutes')"
      />
    </div>
    <v-textarea
      v-model="section.names"
      rows="5"
      :label="say('section-form-names')"
      :hint="`${say('section-form-names-hint')} ${say('section-form-counted', { n: counted })}`"
      persistent-hint
      name="names"
    />
    <fieldset>
      <legend class="small quiet meets">{{ say('section-form-meets') }}</legend>
      <div v-for="(meeting, index) in section.meetings" :key="index" class="row meeting">
        <v-select
          v-model="meeting.weekday"
          :items="days"
          :label="say('section-form-day')"
          class="day"
        />
        <v-text-field
          v-model="meeting.starts"
          type="time"
          :label="say('section-form-time')"
          class="time"
        />
        <v-text-field
          :model-value="meeting.minutes ?? ''"
          type="number"
          min="10"
          max="180"
          :label="say('section-form-minutes-here')"
          class="time"
          @update:model-value="minutes(meeting, $event)"
        />
        <v-btn
          :aria-label="say('section-form-remove-meeting')"
          @click="section.meetings.splice(index, 1)"
          ><v-icon :icon="mdiClose"
        /></v-btn>
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
    <v-checkbox v-model="section.declare_earlier" :label="say('section-form-earlier')" />
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 16px;
}
.three {
  display: grid;
  grid-template-columns: 1.2fr 1fr 0.8fr;
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
  flex-wrap: nowrap;
}
.day {
  flex: 1 1 200px;
}
.time {
  flex: 0 1 150px;
}
@media (max-width: 600px) {
  .three {
    grid-template-columns: 1fr;
  }
}
</style>
