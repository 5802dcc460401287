<script setup lang="ts">
// One-off losses and extra lessons, and concerts with what they need.
import { rules } from '@/api/rules'
import { mdiClose } from '@mdi/js'
import { computed, reactive } from 'vue'
import type { Schemas } from '@/api/client'
import DayField from '@/components/DayField.vue'
import TimeField from '@/components/TimeField.vue'
import { shortDay } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{
  calendar: Schemas['CalendarRead']
  sections: readonly Schemas['SectionRead'][]
  concepts: readonly Schemas['ConceptRead'][]
  songs: readonly { id: string; title: string }[]
  busy: boolean
}>()
const emit = defineEmits<{
  change: [change: Schemas['LessonChangeBody']]
  unchange: [gone: Schemas['LessonChangeRead'][]]
  concert: [concert: Schemas['ConcertBody']]
  unconcert: [gone: Schemas['ConcertRead']]
}>()
const change = reactive({
  kind: 'lost' as 'lost' | 'extra',
  day: '',
  starts: '',
  why: '',
  section_ids: [] as string[],
})
const concert = reactive({
  name: '',
  day: '',
  section_ids: [] as string[],
  concepts: [] as string[],
  songs: [] as string[],
})
const names = computed(() => new Map(props.sections.map((one) => [one.id, one.name])))
// One row for a change that was entered for several sections at once.
const rows = computed(() => {
  const found = new Map<
    string,
    { every: Schemas['LessonChangeRead'][]; who: string[]; one: Schemas['LessonChangeRead'] }
  >()
  for (const one of props.calendar.changes) {
    const key = `${one.kind}${one.day}${one.starts ?? ''}${one.why}`
    const row = found.get(key) ?? { every: [], who: [], one }
    row.every.push(one)
    if (one.section_id) row.who.push(names.value.get(one.section_id) ?? '')
    found.set(key, row)
  }
  return [...found.values()]
})
function addChange() {
  emit('change', { ...change, starts: change.starts || null })
  Object.assign(change, { why: '', starts: '', section_ids: [] })
}
function addConcert() {
  emit('concert', { ...concert })
  Object.assign(concert, { name: '', day: '', section_ids: [], concepts: [], songs: [] })
}
</script>

<template>
  <div class="stack">
    <form class="stack" @submit.prevent="addChange">
      <div class="line">
        <v-select
          v-model="change.kind"
          :label="say('calendar-kind')"
          :items="[
            { value: 'lost', title: say('calendar-lost-kind') },
            { value: 'extra', title: say('calendar-extra-kind') },
          ]"
        />
        <DayField v-model="change.day" :label="say('calendar-day')" required /><TimeField
          v-model="change.starts"
          :label="say('calendar-time')"
        /><v-text-field
          v-model="change.why"
          :label="say('calendar-why')"
          :placeholder="say('calendar-why')"
          :rules="rules('LessonChangeBody', 'why')"
          validate-on="blur"
        />
      </div>
      <p class="row small" role="group" :aria-label="say('calendar-who')">
        <span class="quiet">{{ say('calendar-who') }}</span><v-checkbox
          v-for="one in sections"
          :key="one.id"
          v-model="change.section_ids"
          :label="one.name"
          :value="one.id"
        />
      </p>
      <div>
        <v-btn type="submit" size="small" :disabled="busy || !change.day">{{
          say('calendar-add')
        }}</v-btn>
      </div>
    </form>
    <ul class="list">
      <li v-for="row in rows" :key="row.one.id">
        <span>{{ shortDay(row.one.day) }}</span><span>{{
          row.one.why ||
          (row.one.kind === 'lost' ? say('calendar-lost-kind') : say('calendar-extra-kind'))
        }}</span
        ><span class="small quiet">{{
          row.who.length ? row.who.join(', ') : say('calendar-all')
        }}</span
        ><v-btn
          :icon="mdiClose"
          size="small"
          :aria-label="`${say('calendar-remove')}: ${row.one.why} ${row.one.day}`"
          @click="emit('unchange', row.every)"
        />
      </li>
    </ul>
    <form class="stack" @submit.prevent="addConcert">
      <h3>{{ say('calendar-concerts') }}</h3>
      <div class="line two">
        <v-text-field
          v-model="concert.name"
          :label="say('calendar-name')"
          :placeholder="say('calendar-name')"
          required
          :rules="rules('ConcertBody', 'name')"
          validate-on="blur"
        /><DayField v-model="concert.day" :label="say('calendar-day')" required />
      </div>
      <p class="row small" role="group" :aria-label="say('set-up-sections')">
        <v-checkbox
          v-for="one in sections"
          :key="one.id"
          v-model="concert.section_ids"
          :label="one.name"
          :value="one.id"
        />
      </p>
      <v-autocomplete
        v-model="concert.concepts"
        :label="say('calendar-concepts')"
        :items="concepts.map((one) => ({ value: one.key, title: one.name }))"
        multiple
      />
      <v-autocomplete
        v-model="concert.songs"
        :label="say('calendar-songs')"
        :items="songs"
        item-title="title"
        item-value="id"
        multiple
      />
      <div>
        <v-btn
          type="submit"
          size="small"
          :disabled="busy || !concert.name || !concert.day || !concert.section_ids.length"
          >{{ say('calendar-add-concert') }}</v-btn
        >
      </div>
    </form>
    <ul class="list">
      <li v-for="one in calendar.concerts" :key="one.id">
        <span>{{ shortDay(one.day) }}</span><span>{{ one.name }}</span
        ><span class="small quiet"
          >{{ one.section_ids.map((id) => names.get(id)).join(', ') }}:
          {{
            [
              ...one.concepts.map((key) => concepts.find((c) => c.key === key)?.name ?? key),
              ...one.songs.map((id) => songs.find((each) => each.id === id)?.title ?? ''),
            ].join(', ')
          }}</span
        ><v-btn
          :icon="mdiClose"
          size="small"
          :aria-label="`${say('calendar-remove')}: ${one.name}`"
          @click="emit('unconcert', one)"
        />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.stack {
  gap: 12px;
}
.line {
  display: grid;
  grid-template-columns: 90px 160px 120px 1fr;
  gap: 6px;
}
.line.two {
  grid-template-columns: 1fr 160px;
}
.pick {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  min-height: 32px;
}
.list li {
  display: grid;
  grid-template-columns: 120px 1fr 1.4fr 44px;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--line);
}
@media (max-width: 600px) {
  .line {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
