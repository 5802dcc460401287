<script setup lang="ts">
// Set-up in the order of a year's beginning: dates, sections and rosters, what was lost, concerts; then this device.
import { computed, ref } from 'vue'
import { leave } from '@/api/adults'
import { api, body } from '@/api/client'
import { lookAtRoster, useRollOver, useSingers, useWords, setSingers, setWords } from '@/api/setup'
import { queryClient, useConcepts, useDay, useMe, useSections } from '@/api/queries'
import { useSongTitles } from '@/api/sets'
import { useCalendar, useCalendarActs } from '@/api/year'
import type { Schemas } from '@/api/client'
import { useKeep } from '@/composables/useKeep'
import { device } from '@/composables/useDevice'
import { useTrail } from '@/composables/useTrail'
import { offerUndo } from '@/composables/useUndo'
import DatesPanel from '@/features/setup/DatesPanel.vue'
import ChangesForm from '@/features/setup/ChangesForm.vue'
import { complete, emptySection } from '@/features/setup/emptySection'
import RollOver from '@/features/setup/RollOver.vue'
import RoomForm from '@/features/setup/RoomForm.vue'
import RosterForm from '@/features/setup/RosterForm.vue'
import SchoolForm from '@/features/setup/SchoolForm.vue'
import SectionForm from '@/features/setup/SectionForm.vue'
import SingersForm from '@/features/setup/SingersForm.vue'
import YouForm from '@/features/setup/YouForm.vue'
import BarColours from '@/features/setup/BarColours.vue'
import WordsForm, { wordsBody } from '@/features/setup/WordsForm.vue'
import { shortDay } from '@/composables/words'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('set-up-title') }])
const me = useMe()
const sections = useSections()
const section = ref(emptySection())
const answer = ref('')
const { refused, keep } = useKeep()

async function add() {
  answer.value = ''
  await keep(async () => {
    const made = await body(api.POST('/api/sections', { body: section.value }))
    answer.value = say('set-up-added', { name: made.name })
    section.value = emptySection()
    await queryClient.invalidateQueries()
  })
}
const calendar = useCalendar()
const concepts = useConcepts()
const titles = useSongTitles(true)
const day = useDay()
const acts = useCalendarActs()
const busy = computed(() => Object.values(acts).some((one) => one.isPending.value))
const wrong = computed(() =>
  Object.values(acts)
    .map((one) => one.error.value)
    .find(Boolean),
)
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
async function unchange(gone: readonly Schemas['LessonChangeRead'][]) {
  for (const one of gone) await acts.unchange.mutateAsync(one.id)
  const [one] = gone
  if (!one) return
  const section_ids = gone.flatMap((each) => each.section_id ?? [])
  const { kind, day, starts, why } = one
  const back = { kind, day, starts, why, section_ids } as Schemas['LessonChangeBody']
  offerUndo(say('change-removed', { what: why || shortDay(day) }), () =>
    acts.change.mutateAsync(back),
  )
}
async function unconcert(gone: Schemas['ConcertRead']) {
  await acts.unconcert.mutateAsync(gone.id)
  const { name, day, section_ids, concepts, songs } = gone
  offerUndo(say('change-removed', { what: name }), () =>
    acts.concert.mutateAsync({ name, day, section_ids, concepts, songs }),
  )
}
const contents = computed(() => [
  { to: 'dates', says: say('calendar-title') },
  { to: 'roster', says: say('roster-title') },
  { to: 'section', says: say('set-up-section') },
  { to: 'lost', says: say('calendar-lost') },
  { to: 'you', says: say('set-up-you') },
  { to: 'device', says: say('set-up-screen') },
  { to: 'room', says: say('room-title') },
  { to: 'words', says: say('words-title') },
  { to: 'next-year', says: say('roll-over-heading') },
  { to: 'sequence', says: say('sequence-title') },
  ...(me.data.value?.role === 'owner' ? [{ to: 'safe', says: say('set-up-safe') }] : []),
])
const words = useWords(() => true)
const { refused: wordsRefused, busy: keeping, keep: keepWord } = useKeep()
async function keepWords(sent: Schemas['WordsBody']) {
  const before = words.data.value && wordsBody(words.data.value)
  if ((await keepWord(() => setWords(sent))) && before)
    offerUndo(say('kept-words'), () => setWords(before))
}
const choir = computed(() => sections.data.value?.find((one) => one.grade === 13))
const singers = useSingers(() => choir.value?.id ?? '')
async function keepSingers(ids: string[]) {
  if (!choir.value) return
  const id = choir.value.id
  const before = (singers.data.value ?? []).filter((one) => one.sings).map((one) => one.id)
  await setSingers(id, ids)
  offerUndo(say('kept-singers'), () => setSingers(id, before))
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
      <DatesPanel
        v-if="calendar.data.value"
        :calendar="calendar.data.value"
        :acts="acts"
        :busy="busy"
      />
      <p v-if="wrong" class="wrong" role="alert">△ {{ wrong.message }}</p>
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
          <v-btn :disabled="!complete(section)" @click="add">{{ say('set-up-add') }}</v-btn>
        </div>
      </section>
      <section v-if="calendar.data.value" id="lost" class="stack">
        <h2>{{ say('calendar-lost') }}</h2>
        <ChangesForm
          :calendar="calendar.data.value"
          :sections="sections.data.value ?? []"
          :concepts="concepts.data.value ?? []"
          :songs="titles.data.value ?? []"
          :busy="busy"
          @change="acts.change.mutate($event)"
          @unchange="unchange"
          @concert="acts.concert.mutate($event)"
          @unconcert="unconcert"
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
        <YouForm />
        <SchoolForm v-if="me.data.value?.role === 'owner'" />
      </section>
      <section id="device" class="stack">
        <h2>{{ say('set-up-screen') }}</h2>
        <v-checkbox v-model="device.night" :label="say('set-up-night')" />
        <v-checkbox v-model="device.keys" :label="say('set-up-keys')" />
        <v-checkbox v-model="device.mine" :label="say('set-up-mine')" />
        <v-slider
          v-model="device.volume"
          :label="say('set-up-volume')"
          :aria-label="say('set-up-volume')"
          :min="0"
          :max="1"
          :step="0.05"
        />
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
      <RoomForm />
      <section v-if="words.data.value" id="words" class="stack">
        <h2>{{ say('words-title') }}</h2>
        <WordsForm :words="words.data.value" :busy="keeping" @keep="keepWords" />
        <p v-if="wordsRefused" class="wrong" role="alert">△ {{ wordsRefused }}</p>
      </section>
      <section v-if="choir && singers.data.value" class="stack">
        <SingersForm :children="singers.data.value" :name="choir.name" @keep="keepSingers" />
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
        <p>
          <router-link to="/activities">{{ say('set-up-activities') }}</router-link>
        </p>
        <p>
          <router-link to="/coverage">{{ say('set-up-coverage') }}</router-link>
        </p>
      </section>
      <section v-if="me.data.value?.role === 'owner'" id="safe" class="stack">
        <h2>{{ say('set-up-safe') }}</h2>
        <p>
          <router-link to="/people">{{ say('set-up-people') }}</router-link>
        </p>
        <p>
          <router-link to="/backups">{{ say('set-up-backups') }}</router-link>
        </p>
        <p>
          <router-link to="/ledger-rules">{{ say('rules-title') }}</router-link>
        </p>
        <p>
          <router-link to="/privacy">{{ say('set-up-privacy') }}</router-link>
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
