<script setup lang="ts">
// What meets when, what is due in each lesson, what changes in the room between two.
import { computed, ref } from 'vue'
import { useDay, useSections } from '@/api/queries'
import { useWeek } from '@/api/year'
import ConceptSign from '@/components/ConceptSign.vue'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import { clock, shortDay } from '@/composables/words'
import DayLike from '@/features/day/DayLike.vue'
import { phaseName } from '@/locales/names'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('week-title') }])
const today = useDay()
const weeks = ref(0)
const asked = computed(() => {
  if (!today.data.value) return ''
  const day = new Date(`${today.data.value.today}T12:00`)
  day.setDate(day.getDate() + 7 * weeks.value)
  return day.toISOString().slice(0, 10)
})
const week = useWeek(asked)
const sections = useSections()
const grades = computed(() => [
  ...new Map((sections.data.value ?? []).map((one) => [one.grade, one])).keys(),
])
const days = computed(() => week.data.value ?? [])
</script>

<template>
  <PageState v-if="!week.data.value" :error="week.error.value" @again="week.refetch()" />
  <div v-else class="page">
    <header class="row spread">
      <h1>{{ shortDay(days[0]?.day ?? '') }} – {{ shortDay(days.at(-1)?.day ?? '') }}</h1>
      <div class="row">
        <v-btn @click="weeks -= 1">← {{ say('week-before') }}</v-btn
        ><v-btn @click="weeks += 1">{{ say('week-next') }} →</v-btn>
      </div>
    </header>
    <nav class="row" :aria-label="say('set-open')">
      <span class="quiet">{{ say('set-open') }}:</span>
      <router-link v-for="grade in grades" :key="grade" :to="`/sets/grade-${grade}`">{{
        say('grade-of', { n: grade })
      }}</router-link>
      <router-link to="/activities" class="activities">{{ say('activities-title') }}</router-link>
    </nav>
    <div class="days">
      <section
        v-for="day in days"
        :key="day.day"
        :class="['day', { now: day.day === today.data.value?.today }]"
      >
        <h2>{{ shortDay(day.day) }}</h2>
        <DayLike v-if="day.lessons.length" :day="day.day" />
        <p v-if="day.holiday" class="quiet hatched">{{ day.holiday }}</p>
        <p v-else-if="!day.lessons.length" class="quiet">{{ say('week-no-lessons') }}</p>
        <ol>
          <li v-for="one in day.lessons" :key="one.section.id + one.starts">
            <p v-if="one.change" class="small change">
              <span class="quiet">{{ say('week-change') }}:</span> {{ one.change }}
            </p>
            <router-link
              :to="one.lesson_id ? `/lessons/${one.lesson_id}` : `/sections/${one.section.id}`"
              class="lesson sheet"
            >
              <span class="row spread"
                ><span
                  ><span class="narrow clock">{{ clock(one.starts) }}</span>
                  <strong>{{ one.section.name }}</strong></span
                ><span class="small quiet">{{ say('week-lesson', { n: one.number }) }}</span></span
              >
              <span v-for="work in one.at_work" :key="work.concept.key + work.phase" class="work"
                ><ConceptSign
                  :sign="work.concept.sign"
                  :name="work.concept.name"
                  :height="18"
                /><span :class="['small', { new: work.phase === 'present' }]"
                  >{{ work.concept.name }}, {{ phaseName(work.phase) }}</span
                ></span
              >
              <span v-if="!one.at_work.length" class="small quiet">{{ say('week-nothing') }}</span>
              <span v-if="one.left_over" class="tag left">{{
                say('strip-left-over', { n: one.left_over })
              }}</span>
            </router-link>
          </li>
        </ol>
      </section>
    </div>
  </div>
</template>

<style scoped>
.days {
  flex: none;
  display: grid;
  grid-auto-columns: minmax(170px, 1fr);
  grid-auto-flow: column;
  gap: 12px;
  overflow-x: auto;
  align-items: start;
}
.day {
  display: grid;
  gap: 8px;
  padding: 8px;
  border-top: 3px solid var(--line);
  align-content: start;
}
.day.now {
  border-top-color: var(--dusk);
  background: color-mix(in srgb, var(--dusk-wash) 45%, transparent);
}
ol {
  display: grid;
  gap: 8px;
}
.lesson {
  display: grid;
  gap: 5px;
  padding: 8px 10px;
  color: inherit;
  text-decoration: none;
}
.lesson:hover {
  border-color: var(--dusk);
}
.clock {
  color: var(--granite);
}
.work {
  display: grid;
  grid-template-columns: 44px 1fr;
  gap: 6px;
  align-items: center;
  line-height: 1.2;
}
.work :deep(svg) {
  max-width: 44px;
}
.left {
  justify-self: start;
}
.change {
  padding: 0 2px 4px;
}
.hatched {
  padding: 14px 10px;
  background: repeating-linear-gradient(135deg, var(--wash) 0 6px, transparent 6px 12px);
}
</style>
