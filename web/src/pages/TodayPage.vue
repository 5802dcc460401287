<script setup lang="ts">
// What now? One sentence that a tired person can obey; all else smaller.
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { outbox } from '@/api/outbox'
import { useDay, useSections } from '@/api/queries'
import { useHearing, useLesson, useLessonActs, useToDo } from '@/api/lessons'
import LessonContour from '@/components/LessonContour.vue'
import PageState from '@/components/PageState.vue'
import TonicPattern from '@/components/TonicPattern.vue'
import { useKeys } from '@/composables/useKeys'
import { play } from '@/composables/useSound'
import { useDayNeeds } from '@/api/room'
import { useTrail } from '@/composables/useTrail'
import { clock, listed, minutesUntil, pitchName, weekday } from '@/composables/words'
import type { Schemas } from '@/api/client'
import BackupSign from '@/features/day/BackupSign.vue'
import DayLike from '@/features/day/DayLike.vue'
import BeginAsks from '@/features/teach/BeginAsks.vue'
import { lessonNow } from '@/features/teach/lessonNow'
import { useBegin } from '@/features/teach/useBegin'
import UnopenedList from '@/features/teach/UnopenedList.vue'
import { useUnopened } from '@/features/teach/useUnopened'
import { say } from '@/locales/say'
import { comesNext } from '@/locales/sayings'

useTrail(() => [{ says: say('places-today') }])
const router = useRouter()
const day = useDay()
const sections = useSections()
const isToday = computed(() => day.data.value?.day === day.data.value?.today)
const running = computed(() => day.data.value?.entries.find((entry) => entry.state === 'running'))
const isOver = (entry: Schemas['EntryRead']) => entry.state === 'done' || entry.state === 'not_held'
const next = computed(() => {
  const today = day.data.value
  if (!today) return undefined
  if (running.value) return running.value
  return isToday.value
    ? today.entries.find(
        (entry) =>
          !isOver(entry) && minutesUntil(today.now, entry.starts) + entry.section.minutes > 0,
      )
    : today.entries[0]
})
const later = computed(() => {
  const today = day.data.value
  const index = today && next.value ? today.entries.indexOf(next.value) : -1
  return index < 0 ? [] : (today?.entries.slice(index + 1) ?? [])
})
const lessonId = computed(() => next.value?.lesson_id ?? '')
const read = useLesson(lessonId)
const lesson = computed(() => read.data.value && lessonNow(read.data.value, outbox.kept.value))
const acts = useLessonActs(lessonId)
const parts = computed(() => lesson.value?.parts ?? [])
const hearingPart = computed(
  () => parts.value.find((part) => part.hears > 0 && part.concept)?.id ?? '',
)
const hearing = useHearing(lessonId, hearingPart)
const firstSong = computed(() => parts.value.find((part) => part.song?.starting)?.song)
const sentence = computed(() => {
  const entry = next.value
  if (!day.data.value?.entries.length) return say('today-none')
  if (!entry) return say('today-rest')
  const when = isToday.value
    ? comesNext(entry.section.name, minutesUntil(day.data.value.now, entry.starts))
    : say('today-next-day', {
        name: entry.section.name,
        day: weekday(day.data.value.day),
        time: clock(entry.starts),
      })
  const first = firstSong.value?.starting
  const parts = [
    first ? say('today-start', { pitch: pitchName(first.pitch) }) : '',
    entry.left_over ? say('today-left', { n: entry.left_over }) : '',
    hearing.data.value?.queue.length
      ? say('today-hear', {
          names: listed(hearing.data.value.queue.slice(0, 4).map((place) => place.name)),
        })
      : '',
  ].filter(Boolean)
  return `${when}${parts.length ? ': ' : ''}${parts.join(', ')}.`
})
const byGrade = computed(() => {
  const grades = new Map<number, { id: string; name: string }[]>()
  for (const one of sections.data.value ?? [])
    grades.set(one.grade, [...(grades.get(one.grade) ?? []), one])
  return [...grades.entries()]
})
const toDo = useToDo()
const needs = useDayNeeds(() => day.data.value?.day ?? '')
const needsNow = computed(() =>
  needs.data.value?.find((one) => one.lesson_id === next.value?.lesson_id),
)
const places = {
  'set-up': () => '/set-up',
  songs: () => '/songs',
  knows: (key: string) => `/sections/${key}/knows`,
  year: (key: string) => `/sections/${key}/year`,
  set: (key: string) => `/sets/${key}`,
}
const voice = computed(() => (needs.data.value ?? []).reduce((sum, one) => sum + one.voice, 0))
const { asking, asPlanned, wasLost, otherwise } = useUnopened()
const { begin: teach, asks, other } = useBegin(lesson)
async function propose() {
  const made = await acts.propose.mutateAsync({ section: next.value?.section.id ?? '' })
  await router.push(`/lessons/${made.id}`)
}
useKeys([
  {
    key: 'p',
    says: say('keys-pitch'),
    act: () => firstSong.value?.starting && play([firstSong.value.starting.midi], 1.6),
  },
  { key: 't', says: say('keys-teach'), act: () => void teach() },
])
</script>

<template>
  <PageState
    v-if="!day.data.value || !sections.data.value"
    :error="day.error.value ?? sections.error.value"
    @again="day.refetch()"
  />
  <div v-else class="page today">
    <section class="now">
      <h1 class="sentence">{{ sentence }}</h1>
      <template v-if="next && lesson">
        <BeginAsks :asks="asks" :other="other" />
        <div class="row gap">
          <v-btn class="main" size="large" @click="teach"
            >{{ running ? say('today-go-on') : say('today-teach') }}
            <span class="kbd">t</span></v-btn
          >
          <v-btn size="large" :to="`/lessons/${lessonId}`">{{ say('today-look') }}</v-btn>
          <TonicPattern
            v-if="firstSong"
            :tonic="firstSong.tonic"
            :starting="firstSong.starting"
            class="pitch"
          />
        </div>
        <LessonContour :blocks="parts" :height="110" named />
        <ol class="parts">
          <li v-for="part in parts" :key="part.id">
            <span class="minutes narrow">{{ part.minutes }}</span>
            <span
              ><strong>{{ part.title }}</strong
              ><span v-if="part.song" class="quiet">
                · {{ part.song.title
                }}<template v-if="part.song.starting">
                  ({{ pitchName(part.song.starting.pitch) }})</template
                ></span
              ></span
            >
            <span class="row"
              ><span v-if="part.left_over" class="tag">{{ say('lesson-left-over') }}</span
              ><span v-if="part.new" class="tag is-new">{{
                say('lesson-new-thing', { what: part.new })
              }}</span></span
            >
          </li>
        </ol>
        <dl
          v-if="needsNow && (needsNow.needs.length || needsNow.change || needsNow.bars.length)"
          class="fetch"
        >
          <template v-if="needsNow.needs.length">
            <dt>{{ say('today-fetch') }}</dt>
            <dd>{{ needsNow.needs.join(', ') }}</dd>
          </template>
          <template v-if="needsNow.change">
            <dt>{{ say('week-change') }}</dt>
            <dd>{{ needsNow.change }}</dd>
          </template>
          <template v-for="one in needsNow.bars" :key="one.song">
            <dt>{{ one.song }}</dt>
            <dd>{{ one.says }}</dd>
          </template>
        </dl>
        <p v-if="lesson.beside">{{ lesson.beside }}</p>
        <p v-if="lesson.last_note" class="quiet">
          {{ say('lesson-last-note') }}: “{{ lesson.last_note }}”
        </p>
      </template>
      <p v-else-if="next?.lesson_id" class="quiet" role="status">
        {{ read.error.value?.message ?? say('state-loading') }}
      </p>
      <template v-else-if="next">
        <p class="quiet">{{ say('today-no-lesson') }}</p>
        <div>
          <v-btn
            class="main"
            size="large"
            :loading="acts.propose.isPending.value"
            @click="propose"
            >{{ say('today-propose') }}</v-btn
          >
        </div>
        <p v-if="acts.propose.error.value" class="wrong" role="alert">
          △ {{ acts.propose.error.value.message }}
        </p>
      </template>
    </section>
    <aside class="side">
      <UnopenedList
        v-if="toDo.data.value?.unopened.length"
        :lessons="toDo.data.value.unopened"
        :busy="asking"
        @planned="asPlanned"
        @otherwise="otherwise"
        @lost="wasLost"
      />
      <section v-if="toDo.data.value?.next" class="stack">
        <h2>{{ say('today-next-thing') }}</h2>
        <p>
          <router-link :to="places[toDo.data.value.next.where](toDo.data.value.next.key)">{{
            toDo.data.value.next.says
          }}</router-link>
        </p>
      </section>
      <BackupSign />
      <DayLike :day="day.data.value.day" songs />
      <p v-if="voice" class="small quiet">{{ say('today-voice', { n: voice }) }}</p>
      <p v-if="day.data.value.entries.some((one) => one.lesson_id)">
        <a :href="`/api/day/print?day=${day.data.value.day}`" target="_blank">{{
          say('set-print-day')
        }}</a>
      </p>
      <section v-if="later.length" class="stack">
        <h2>{{ say('today-later') }}</h2>
        <ol>
          <li v-for="entry in later" :key="entry.section.id">
            <router-link :to="`/sections/${entry.section.id}`" class="later"
              ><span class="narrow clock">{{ clock(entry.starts) }}</span
              ><strong>{{ entry.section.name }}</strong
              ><span class="small quiet">{{
                entry.left_over ? say('strip-left-over', { n: entry.left_over }) : ''
              }}</span></router-link
            >
          </li>
        </ol>
      </section>
      <section class="stack">
        <h2>{{ say('today-all') }}</h2>
        <div v-for="[grade, list] in byGrade" :key="grade" class="grade">
          <span class="small quiet">{{ say('grade-of', { n: grade }) }}</span><router-link
            v-for="one in list"
            :key="one.id"
            :to="`/sections/${one.id}`"
            class="tag"
            >{{ one.name }}</router-link
          >
        </div>
      </section>
    </aside>
  </div>
</template>

<style scoped>
.today {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 240px;
  gap: 40px;
  align-content: start;
  padding-top: 28px;
}
.now {
  display: grid;
  gap: 20px;
  min-width: 0;
}
.sentence {
  font-size: 36px;
  line-height: 1.2;
  max-width: 24em;
  text-wrap: balance;
}
.gap {
  gap: 12px;
}
.pitch {
  margin-left: auto;
}
.parts {
  display: grid;
}
.parts li {
  display: grid;
  grid-template-columns: 32px 1fr auto;
  gap: 8px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  align-items: baseline;
}
.minutes {
  font-size: 18px;
  font-weight: 600;
  color: var(--granite);
  text-align: right;
  padding-right: 6px;
}
.fetch {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 16px;
}
.fetch dt {
  color: var(--granite);
}
.side {
  display: grid;
  gap: 32px;
  align-content: start;
}
.later {
  display: grid;
  grid-template-columns: 48px 44px 1fr;
  align-items: baseline;
  min-height: 36px;
  color: inherit;
  text-decoration: none;
}
.later:hover strong {
  text-decoration: underline;
}
.grade {
  display: grid;
  grid-template-columns: 110px auto auto 1fr;
  gap: 8px;
  align-items: center;
}
.grade .tag {
  padding: 4px 10px;
  text-decoration: none;
  color: inherit;
}
@media (max-width: 900px) {
  .today {
    grid-template-columns: 1fr;
  }
  .sentence {
    font-size: 28px;
  }
  .grade .tag {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
    min-width: 52px;
  }
}
</style>
