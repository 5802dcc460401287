<script setup lang="ts">
// Questions with blanks: pick one, fill its blanks, and the answer is exact.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { ask } from '@/api/children'
import { useConcepts, useDay, useSections } from '@/api/queries'
import DayField from '@/components/DayField.vue'
import { useTrail } from '@/composables/useTrail'
import { clock, shortDay } from '@/composables/words'
import TakeAlong from '@/features/ledger/TakeAlong.vue'
import { gradesName, standingName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

useTrail(() => [{ says: say('ledger-title'), to: '/ledger' }, { says: say('asked-title') }])
const QUESTIONS = [
  'not_heard',
  'needs',
  'missing',
  'fading',
  'refresh',
  'drift',
  'left_over',
  'left_out',
] as const
type Question = (typeof QUESTIONS)[number]
const BLANKS: Record<Question, readonly ('section' | 'concept' | 'day' | 'grade')[]> = {
  not_heard: ['day'],
  needs: ['concept'],
  missing: ['section', 'concept'],
  fading: ['section'],
  refresh: ['section'],
  drift: ['grade', 'day'],
  left_over: ['section'],
  left_out: [],
}
const question = ref<Question>('not_heard')
const sections = useSections()
const concepts = useConcepts()
const today = useDay()
const section = ref('')
const concept = ref('re')
const day = ref<string | null>(null)
const grade = ref(0)
watch(
  () => [sections.data.value, today.data.value] as const,
  ([all, now]) => {
    section.value ||= now?.entries[0]?.section.id ?? all?.[0]?.id ?? ''
    if (now && !day.value) {
      const since = new Date(`${now.today}T12:00:00Z`)
      since.setUTCDate(since.getUTCDate() - 28)
      day.value = since.toISOString().slice(0, 10)
    }
  },
  { immediate: true },
)
const needs = computed(() => BLANKS[question.value])
const filled = computed(
  () =>
    (!needs.value.includes('section') || !!section.value) &&
    (!needs.value.includes('day') || !!day.value) &&
    (!needs.value.includes('concept') || !!concept.value),
)
/** An answer as lines: what it is about in front, then what is said of it. */
interface Line {
  head: string
  says: string
  to?: string
}
async function answer(): Promise<Line[]> {
  const date = day.value ?? ''
  switch (question.value) {
    case 'not_heard':
      return (await ask.notHeard(date)).map((one) => ({
        head: `${one.name}, ${one.section}`,
        says: one.last ? say('asked-last', { day: shortDay(one.last) }) : say('asked-never'),
        to: `/children/${one.child_id}`,
      }))
    case 'needs':
      return (await ask.needs(concept.value)).map((one) => ({
        head: `${one.name}, ${one.section}`,
        says: standingName(one.level, one.due),
        to: `/children/${one.child_id}`,
      }))
    case 'missing': {
      const found = await ask.missing(section.value, concept.value)
      if (found.named) return [{ head: say('asked-named'), says: '' }]
      return found.missing.map((one) => ({
        head: one.name,
        says: [one.sentence, one.children.length ? `${one.children.join(', ')}.` : '']
          .filter(Boolean)
          .join(' '),
      }))
    }
    case 'fading':
      return (await ask.fading(section.value)).map((one) => ({
        head: one.name,
        says: one.children.join(', '),
      }))
    case 'refresh': {
      const found = await ask.refresh(section.value)
      return [
        ...found.songs.map((one) => ({
          head: one.song,
          says: one.names.join(', '),
          to: `/songs/${one.song_id}`,
        })),
        ...(found.without.length
          ? [{ head: say('asked-in-no-song'), says: found.without.join(', ') }]
          : []),
      ]
    }
    case 'drift':
      return (await ask.drift(grade.value, date)).map((one) => ({
        head: one.section,
        says: say('asked-lesson', {
          n: one.lesson,
          of: one.of,
          concepts: one.names.join(', ') || say('asked-nothing-new'),
        }),
      }))
    case 'left_out':
      return (await ask.leftOut()).map((one) => ({
        head: `${one.name}, ${one.section}`,
        says: [
          `${one.kinds.map((kind) => say('asked-kept-out', { kind })).join(', ')}.`,
          ...[...new Set(one.games.map((game) => game.says))].map((form) => {
            const alike = one.games.filter((game) => game.says === form)
            return `${alike.map((game) => `${clock(game.starts)} ${game.title}`).join('; ')}. ${form}`
          }),
          ...(one.games.length ? [] : [say('asked-no-game')]),
        ].join(' '),
        to: `/children/${one.child_id}`,
      }))
    case 'left_over':
      return (await ask.leftOver(section.value)).map((one) => ({
        head: one.song ? `${one.name}: ${one.song}` : one.name,
        says: `${shortDay(one.date)}, ${sayOf('asked-state', one.state)}`,
      }))
  }
}
const read = useQuery({
  queryKey: ['asked', question, section, concept, day, grade],
  queryFn: answer,
  enabled: filled,
})
const grades = computed(() => {
  const found = new Map<number, string>()
  for (const one of sections.data.value ?? []) found.set(one.grade, gradesName(one))
  return [...found].map(([value, title]) => ({ value, title }))
})
const sectionItems = computed(() =>
  (sections.data.value ?? []).map((one) => ({ value: one.id, title: one.name })),
)
const conceptItems = computed(() =>
  (concepts.data.value ?? []).map((one) => ({ value: one.key, title: one.name })),
)
</script>

<template>
  <div class="page ask">
    <h1>{{ say('asked-title') }}</h1>
    <div class="columns">
      <nav class="stack questions" :aria-label="say('asked-title')">
        <v-btn
          v-for="one in QUESTIONS"
          :key="one"
          height="48"
          :class="['question', { main: one === question }]"
          :aria-pressed="one === question"
          @click="question = one"
          >{{ sayOf('asked-question', one) }}</v-btn
        >
      </nav>
      <section class="stack">
        <div class="row blanks">
          <v-select
            v-if="needs.includes('section')"
            v-model="section"
            :items="sectionItems"
            :label="say('asked-section')"
          /><v-autocomplete
            v-if="needs.includes('concept')"
            v-model="concept"
            :items="conceptItems"
            :label="say('asked-concept')"
          /><v-select
            v-if="needs.includes('grade')"
            v-model="grade"
            :items="grades"
            :label="say('asked-grade')"
          /><DayField v-if="needs.includes('day')" v-model="day" :label="say('asked-day')" />
        </div>
        <p v-if="read.error.value" class="wrong" role="alert">△ {{ read.error.value.message }}</p>
        <p v-else-if="read.data.value" role="status" class="quiet">
          {{ say('asked-found', { n: read.data.value.length }) }}
        </p>
        <ul class="answers">
          <li v-for="(one, index) in read.data.value ?? []" :key="index">
            <router-link v-if="one.to" :to="one.to"
              ><strong>{{ one.head }}</strong></router-link
            ><strong v-else>{{ one.head }}</strong> <span>{{ one.says }}</span>
          </li>
        </ul>
      </section>
    </div>
    <TakeAlong />
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
  gap: 36px;
  align-items: start;
}
.questions {
  gap: 6px;
}
.question {
  justify-content: flex-start;
  text-align: left;
  white-space: normal;
}
.blanks {
  gap: 12px;
}
.blanks > * {
  max-width: 300px;
  min-width: 200px;
}
.answers {
  columns: 2 320px;
  column-gap: 32px;
}
.answers li {
  break-inside: avoid;
  border-top: 1px solid var(--line);
  padding: 6px 0;
  line-height: 1.35;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
