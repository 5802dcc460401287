<script setup lang="ts">
// One-off losses and extra lessons, and concerts with what they need.
import { mdiClose } from '@mdi/js'
import { computed, reactive } from 'vue'
import type { Schemas } from '@/api/client'
import { shortDay } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{
  calendar: Schemas['CalendarRead']
  sections: readonly Schemas['SectionRead'][]
  concepts: readonly Schemas['ConceptRead'][]
  busy: boolean
}>()
const emit = defineEmits<{
  change: [change: Schemas['LessonChangeBody']]
  unchange: [id: string]
  concert: [concert: Schemas['ConcertBody']]
  unconcert: [id: string]
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
})
const names = computed(() => new Map(props.sections.map((one) => [one.id, one.name])))
// One row for a change that was entered for several sections at once.
const rows = computed(() => {
  const found = new Map<
    string,
    { ids: string[]; who: string[]; one: Schemas['LessonChangeRead'] }
  >()
  for (const one of props.calendar.changes) {
    const key = `${one.kind}${one.day}${one.starts ?? ''}${one.why}`
    const row = found.get(key) ?? { ids: [], who: [], one }
    row.ids.push(one.id)
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
  Object.assign(concert, { name: '', day: '', section_ids: [], concepts: [] })
}
</script>

<template>
  <div class="stack">
    <form class="stack" @submit.prevent="addChange">
      <div class="line">
        <select v-model="change.kind" :aria-label="say('calendar-kind')">
          <option value="lost">{{ say('calendar-lost-kind') }}</option>
          <option value="extra">{{ say('calendar-extra-kind') }}</option>
        </select>
        <input v-model="change.day" type="date" :aria-label="say('calendar-day')" required /><input
          v-model="change.starts"
          type="time"
          :aria-label="say('calendar-time')"
          :title="say('calendar-time')"
        /><input
          v-model="change.why"
          :placeholder="say('calendar-why')"
          :aria-label="say('calendar-why')"
          maxlength="120"
        />
      </div>
      <p class="row small" role="group" :aria-label="say('calendar-who')">
        <span class="quiet">{{ say('calendar-who') }}</span><label
          v-for="one in sections"
          :key="one.id"
          class="pick"
          ><input v-model="change.section_ids" type="checkbox" :value="one.id" />{{
            one.name
          }}</label
        >
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
          @click="row.ids.forEach((id) => emit('unchange', id))"
        />
      </li>
    </ul>
    <form class="stack" @submit.prevent="addConcert">
      <h3>{{ say('calendar-concerts') }}</h3>
      <div class="line two">
        <input
          v-model="concert.name"
          :placeholder="say('calendar-name')"
          :aria-label="say('calendar-name')"
          maxlength="120"
          required
        /><input v-model="concert.day" type="date" :aria-label="say('calendar-day')" required />
      </div>
      <p class="row small" role="group" :aria-label="say('set-up-sections')">
        <label v-for="one in sections" :key="one.id" class="pick"
          ><input v-model="concert.section_ids" type="checkbox" :value="one.id" />{{
            one.name
          }}</label
        >
      </p>
      <label class="stack small"
        >{{ say('calendar-concepts')
        }}<select v-model="concert.concepts" multiple size="5">
          <option v-for="one in concepts" :key="one.key" :value="one.key">{{ one.name }}</option>
        </select></label
      >
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
            one.concepts.map((key) => concepts.find((c) => c.key === key)?.name ?? key).join(', ')
          }}</span
        ><v-btn
          :icon="mdiClose"
          size="small"
          :aria-label="`${say('calendar-remove')}: ${one.name}`"
          @click="emit('unconcert', one.id)"
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
input:not([type='checkbox']),
select {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 6px 10px;
  min-height: 40px;
  min-width: 0;
}
.pick {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  min-height: 32px;
}
.pick input {
  width: 18px;
  height: 18px;
  accent-color: var(--dusk);
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
