<script setup lang="ts">
// A section: name, grade, minutes, children pasted as a column, meeting times.
import { mdiClose, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/en'

const section = defineModel<Schemas['SectionBody']>({ required: true })
const grades = [...Array.from({ length: 9 }, (_, value) => value), 13].map((value) => ({ value, title: say.sectionForm.gradeOf(value) }))
const days = say.weekdays.slice(0, 5).map((title, value) => ({ value, title }))
const counted = computed(() => section.value.names.split('\n').filter((name) => name.trim()).length)
const add = () => section.value.meetings.push({ weekday: 0, starts: '09:00', minutes: null })
const minutes = (meeting: Schemas['MeetingBody'], text: string) => { meeting.minutes = text ? Number(text) : null }
</script>

<template>
  <div class="form">
    <div class="three">
      <v-text-field v-model="section.name" :label="say.sectionForm.name" name="section" />
      <v-select v-model="section.grade" :items="grades" :label="say.sectionForm.grade" />
      <v-text-field v-model.number="section.minutes" type="number" min="10" max="180" step="5" :label="say.sectionForm.minutes" />
    </div>
    <v-textarea v-model="section.names" rows="5" :label="say.sectionForm.names" :hint="`${say.sectionForm.namesHint} ${say.sectionForm.counted(counted)}`" persistent-hint name="names" />
    <fieldset>
      <legend class="small quiet meets">{{ say.sectionForm.meets }}</legend>
      <div v-for="(meeting, index) in section.meetings" :key="index" class="row meeting">
        <v-select v-model="meeting.weekday" :items="days" :label="say.sectionForm.day" class="day" />
        <v-text-field v-model="meeting.starts" type="time" :label="say.sectionForm.time" class="time" />
        <v-text-field :model-value="meeting.minutes ?? ''" type="number" min="10" max="180" :label="say.sectionForm.minutesHere" class="time" @update:model-value="minutes(meeting, $event)" />
        <v-btn :aria-label="say.sectionForm.removeMeeting" @click="section.meetings.splice(index, 1)"><v-icon :icon="mdiClose" /></v-btn>
      </div>
      <v-btn :prepend-icon="mdiPlus" @click="add">{{ say.sectionForm.addMeeting }}</v-btn>
    </fieldset>
    <v-checkbox v-model="section.declare_earlier" :label="say.sectionForm.earlier" />
  </div>
</template>

<style scoped>
.form { display: grid; gap: 16px; }
.three { display: grid; grid-template-columns: 1.2fr 1fr 0.8fr; gap: 12px; }
.meets { padding-bottom: 10px; }
fieldset { border: 0; padding: 0; margin: 0; display: grid; gap: 10px; justify-items: start; }
.meeting { width: 100%; flex-wrap: nowrap; }
.day { flex: 1 1 200px; }
.time { flex: 0 1 150px; }
@media (max-width: 600px) { .three { grid-template-columns: 1fr; } }
</style>
