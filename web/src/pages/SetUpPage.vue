<script setup lang="ts">
// Set-up in the order of a year's beginning: dates, sections and rosters, what was lost, concerts; then this device.
import { computed, ref } from 'vue'
import { end } from '@/api/outbox'
import { api, body } from '@/api/client'
import {
  lookAtRoster,
  queryClient,
  readHolidays,
  useCalendar,
  useCalendarActs,
  useConcepts,
  useDay,
  useMe,
  useRollOver,
  useSections,
  useSingers,
  useWords,
  setSingers,
  setWords,
} from '@/api/queries'
import type { Schemas } from '@/api/client'
import { device } from '@/composables/useDevice'
import { useTrail } from '@/composables/useTrail'
import CalendarForm from '@/features/setup/CalendarForm.vue'
import ChangesForm from '@/features/setup/ChangesForm.vue'
import { emptySection } from '@/features/setup/emptySection'
import RollOver from '@/features/setup/RollOver.vue'
import RosterForm from '@/features/setup/RosterForm.vue'
import SchoolForm from '@/features/setup/SchoolForm.vue'
import SectionForm from '@/features/setup/SectionForm.vue'
import SingersForm from '@/features/setup/SingersForm.vue'
import BarColours from '@/features/setup/BarColours.vue'
import WordsForm from '@/features/setup/WordsForm.vue'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('set-up-title') }])
const me = useMe()
const sections = useSections()
const section = ref(emptySection())
const answer = ref('')
const refused = ref('')

async function add() {
  answer.value = refused.value = ''
  try {
    const made = await body(api.POST('/api/sections', { body: section.value }))
    answer.value = say('set-up-added', { name: made.name })
    section.value = emptySection()
    await queryClient.invalidateQueries()
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
const calendar = useCalendar()
const concepts = useConcepts()
const day = useDay()
const acts = useCalendarActs()
const busy = computed(() => Object.values(acts).some((one) => one.isPending.value))
const wrong = computed(() =>
  Object.values(acts)
    .map((one) => one.error.value)
    .find(Boolean),
)
const kept = ref('')
const read = ref<Schemas['CalendarRead'] | null>(null)
const missing = computed(() => {
  const parts = [
    calendar.data.value?.assumed ? say('calendar-no-terms') : '',
    sections.data.value?.length ? '' : say('calendar-no-sections'),
    (day.data.value?.never ?? []).length
      ? say('calendar-no-meetings', { names: (day.data.value?.never ?? []).join(', ') })
      : '',
  ].filter(Boolean)
  return parts.length
    ? `${say('calendar-missing')}: ${parts.join(', ')}.`
    : say('calendar-nothing-missing')
})
async function keepDates(periods: Schemas['PeriodsBody']) {
  await acts.periods.mutateAsync(periods)
  read.value = null
  kept.value = say('calendar-saved')
}
async function holidaysFrom(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file || !calendar.data.value) return
  kept.value = refused.value = ''
  try {
    const found = await readHolidays(file)
    read.value = { ...calendar.data.value, holidays: [...calendar.data.value.holidays, ...found] }
    kept.value = say('calendar-brought', { n: found.length })
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
const contents = computed(() => [
  { to: 'dates', says: say('calendar-title') },
  { to: 'roster', says: say('roster-title') },
  { to: 'section', says: say('set-up-section') },
  { to: 'lost', says: say('calendar-lost') },
  { to: 'you', says: say('set-up-you') },
  { to: 'device', says: say('set-up-screen') },
  { to: 'words', says: say('words-title') },
  { to: 'next-year', says: say('roll-over-heading') },
  { to: 'sequence', says: say('sequence-title') },
])
const words = useWords(() => true)
const keeping = ref(false)
const wordsKept = ref(false)
async function keepWords(sent: Schemas['WordsBody']) {
  keeping.value = true
  await setWords(sent).finally(() => (keeping.value = false))
  wordsKept.value = true
}
const choir = computed(() => sections.data.value?.find((one) => one.grade === 13))
const singers = useSingers(() => choir.value?.id ?? '')
const singersKept = ref(false)
async function keepSingers(ids: string[]) {
  if (!choir.value) return
  await setSingers(choir.value.id, ids)
  singersKept.value = true
}
const steps = useRollOver()
const rolled = ref(false)
const rolling = ref(false)
async function roll() {
  rolling.value = true
  await body(api.POST('/api/roll-over')).finally(() => (rolling.value = false))
  rolled.value = true
  await queryClient.invalidateQueries()
}
const bring = (sent: Schemas['RosterBody']) => body(api.POST('/api/roster', { body: sent }))
async function leave(everywhere: boolean) {
  await (everywhere ? api.POST('/api/sign-out-everywhere') : api.POST('/api/sign-out'))
  end()
  window.location.assign('/sign-in') // a new page forgets everything
}
</script>

<template>
  <div class="page setup">
    <div class="main-part">
      <p class="small missing">{{ missing }}</p>
      <nav :aria-label="say('set-up-contents')">
        <ul class="row contents">
          <li v-for="one in contents" :key="one.to">
            <a :href="`#${one.to}`" class="tag">{{ one.says }}</a>
          </li>
        </ul>
      </nav>
      <section v-if="calendar.data.value" id="dates" class="stack">
        <h1>{{ say('calendar-title') }}</h1>
        <CalendarForm :calendar="read ?? calendar.data.value" :busy="busy" @keep="keepDates" />
        <div class="row">
          <label class="file"
            >{{ say('calendar-bring') }}
            <input type="file" accept=".ics,text/calendar" @change="holidaysFrom" /></label
          ><a href="/api/calendar.ics" download>{{ say('calendar-out') }}</a>
        </div>
        <p v-if="kept" class="secure" role="status">✓ {{ kept }}</p>
        <p v-if="wrong" class="wrong" role="alert">△ {{ wrong.message }}</p>
      </section>
      <section id="roster" class="stack">
        <h2>{{ say('roster-title') }}</h2>
        <RosterForm
          :look="lookAtRoster"
          :bring="bring"
          @brought="queryClient.invalidateQueries()"
        />
      </section>
      <section id="section" class="stack">
        <h2>{{ say('set-up-section') }}</h2>
        <SectionForm v-model="section" />
        <p v-if="answer" class="secure" role="status">✓ {{ answer }}</p>
        <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
        <div>
          <v-btn :disabled="!section.name" @click="add">{{ say('set-up-add') }}</v-btn>
        </div>
      </section>
      <section v-if="calendar.data.value" id="lost" class="stack">
        <h2>{{ say('calendar-lost') }}</h2>
        <ChangesForm
          :calendar="calendar.data.value"
          :sections="sections.data.value ?? []"
          :concepts="concepts.data.value ?? []"
          :busy="busy"
          @change="acts.change.mutate($event)"
          @unchange="acts.unchange.mutate($event)"
          @concert="acts.concert.mutate($event)"
          @unconcert="acts.unconcert.mutate($event)"
        />
      </section>
    </div>
    <div class="side">
      <section id="you" class="stack">
        <h2>{{ say('set-up-you') }}</h2>
        <p>{{ me.data.value?.name }}</p>
        <div class="row">
          <v-btn @click="leave(false)">{{ say('set-up-out') }}</v-btn><v-btn @click="leave(true)">{{
            say('set-up-everywhere')
          }}</v-btn>
        </div>
        <SchoolForm />
      </section>
      <section id="device" class="stack">
        <h2>{{ say('set-up-screen') }}</h2>
        <v-checkbox v-model="device.night" :label="say('set-up-night')" />
        <v-checkbox v-model="device.keys" :label="say('set-up-keys')" />
        <v-checkbox v-model="device.mine" :label="say('set-up-mine')" />
        <label class="volume"
          ><span>{{ say('set-up-volume') }}</span
          ><input v-model.number="device.volume" type="range" min="0" max="1" step="0.05"
        /></label>
      </section>
      <section class="stack">
        <h2>{{ say('set-up-sections') }}</h2>
        <p class="row">
          <router-link
            v-for="one in sections.data.value ?? []"
            :key="one.id"
            :to="`/sections/${one.id}`"
            class="tag"
            >{{ one.name }}</router-link
          >
        </p>
      </section>
      <BarColours />
      <section v-if="words.data.value" id="words" class="stack">
        <h2>{{ say('words-title') }}</h2>
        <WordsForm :words="words.data.value" :busy="keeping" @keep="keepWords" />
        <p v-if="wordsKept" class="secure" role="status">✓ {{ say('words-kept') }}</p>
      </section>
      <section v-if="choir && singers.data.value" class="stack">
        <SingersForm :children="singers.data.value" :name="choir.name" @keep="keepSingers" />
        <p v-if="singersKept" class="secure" role="status">✓ {{ say('singers-kept') }}</p>
      </section>
      <section id="next-year" class="stack">
        <h2>{{ say('roll-over-heading') }}</h2>
        <RollOver :steps="steps.data.value ?? []" :done="rolled" :busy="rolling" @roll="roll" />
      </section>
      <section id="sequence" class="stack">
        <h2>{{ say('sequence-title') }}</h2>
        <p>
          <router-link to="/sequence">{{ say('set-up-sequence') }}</router-link>
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.setup {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(280px, 1fr);
  gap: 40px;
  align-content: start;
}
.stack {
  gap: 16px;
}
.main-part {
  display: grid;
  gap: 36px;
  min-width: 0;
  align-content: start;
}
.contents {
  gap: 6px;
  padding: 0;
  list-style: none;
}
.contents .tag {
  color: inherit;
  text-decoration: none;
  padding: 4px 10px;
}
.missing {
  color: var(--granite);
}
.file {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.side {
  display: grid;
  gap: 32px;
  align-content: start;
}
.volume {
  display: flex;
  gap: 12px;
  align-items: center;
}
.volume input {
  flex: 1;
  accent-color: var(--dusk);
}
.tag {
  padding: 6px 10px;
  text-decoration: none;
}
@media (max-width: 900px) {
  .setup {
    grid-template-columns: 1fr;
  }
}
</style>
