<script setup lang="ts">
// Native: a picture to open.
// The school's year: which sections fit, how far the sections of a grade are apart, where they will be on a day.
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useGrade, useSchoolYear, useYears } from '@/api/year'
import { api, body } from '@/api/client'
import { queryClient } from '@/api/queries'
import ConceptSign from '@/components/ConceptSign.vue'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import RidgeView from '@/features/year/RidgeView.vue'
import { phaseName } from '@/locales/names'
import DayField from '@/components/DayField.vue'
import { say } from '@/locales/say'
import { spareLessons } from '@/locales/sayings'

const props = defineProps<{ grade?: string }>()
const router = useRouter()
useTrail(() => [
  { says: say('year-school'), to: '/year' },
  ...(props.grade === undefined ? [] : [{ says: say('year-grade', { g: Number(props.grade) }) }]),
])
const school = useSchoolYear()
const sections = computed(() => school.data.value?.sections ?? [])
const grades = computed(() => [...new Set(sections.value.map((one) => one.section.grade))])
const grade = computed(() =>
  props.grade === undefined
    ? (school.data.value?.tightest ?? grades.value[0] ?? 0)
    : Number(props.grade),
)
const day = ref('')
const where = useGrade(grade, day)
const mine = computed(() =>
  sections.value.filter(
    (one) => one.section.grade === grade.value || one.section.upper === grade.value,
  ),
)
const ridges = useYears(() => mine.value.map((one) => one.section.id))

const done = ref(0)
const laying = ref(false)
async function layAll() {
  laying.value = true
  done.value = 0
  const waiting = [...sections.value]
  // Two at a time: the server has the time of more than one processor, and the bar still moves.
  const worker = async () => {
    for (let one = waiting.shift(); one && laying.value; one = waiting.shift()) {
      await body(
        api.POST('/api/sections/{section_id}/year/fit', {
          params: { path: { section_id: one.section.id } },
        }),
      ).catch(() => null)
      done.value += 1
    }
  }
  await Promise.all([worker(), worker()])
  laying.value = false
  for (const name of ['school-year', 'year', 'grade', 'week'])
    void queryClient.invalidateQueries({ queryKey: [name] })
}
</script>

<template>
  <PageState v-if="!school.data.value" :error="school.error.value" @again="school.refetch()" />
  <div v-else class="page">
    <header class="row spread top">
      <h1>{{ school.data.value.sentence }}</h1>
      <div class="row">
        <template v-if="laying"
          ><progress :value="done" :max="sections.length" :aria-label="say('year-laying')" /><span
            class="small"
            role="status"
            >{{ say('year-fitting', { n: done, of: sections.length }) }}</span
          ><v-btn @click="laying = false">{{ say('year-stop') }}</v-btn></template
        ><v-btn v-else @click="layAll">{{ say('year-fit-all') }}</v-btn>
      </div>
    </header>
    <div class="two">
      <ol class="list">
        <li v-for="one in sections" :key="one.section.id">
          <router-link
            :to="`/sections/${one.section.id}/year`"
            :class="['line', { on: [one.section.grade, one.section.upper].includes(grade) }]"
          >
            <strong>{{ one.section.name }}</strong>
            <span class="bar" aria-hidden="true"
              ><i
                :style="{ width: `${(100 * (one.next_lesson - 1)) / Math.max(one.lessons, 1)}%` }"
            /></span>
            <span :class="['small', { new: one.spare < 0 }]"
              >{{ one.spare < 0 ? '△ ' : '' }}{{ spareLessons(one.spare) }}</span
            >
          </router-link>
        </li>
      </ol>
      <section v-if="where.data.value" class="stack grade">
        <div class="row spread">
          <h2>{{ say('year-grade', { g: grade }) }}</h2>
          <nav class="row">
            <router-link
              v-for="one in grades"
              :key="one"
              :to="`/year/${one}`"
              :class="['tag', { on: one === grade }]"
              >{{ say('year-grade', { g: one }) }}</router-link
            >
          </nav>
        </div>
        <p>{{ where.data.value.sentence }}</p>
        <button
          v-for="one in ridges"
          :key="one.section.id"
          class="sheet picture"
          @click="router.push(`/sections/${one.section.id}/year`)"
        >
          <strong>{{ one.section.name }}</strong><RidgeView :year="one" compact />
        </button>
        <DayField v-model="day" :label="say('year-where')" />
        <ul class="where">
          <li v-for="one in where.data.value.sections" :key="one.section.id">
            <strong>{{ one.section.name }}</strong><span
              >{{ say('year-by-then', { n: one.lessons }) }}<br /><span class="small quiet"
                >{{ say('year-behind', { n: one.behind }) }}, {{ spareLessons(one.spare) }}</span
              ></span
            ><span class="row"
              ><span v-for="work in one.at_work" :key="work.concept.key" class="work"
                ><ConceptSign :sign="work.concept.sign" :name="work.concept.name" :height="20" />
                <span class="small"
                  >{{ work.concept.name }}, {{ phaseName(work.phase) }}</span
                ></span
              ><span v-if="!one.at_work.length" class="quiet">{{ say('week-nothing') }}</span></span
            >
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.top {
  flex-wrap: nowrap;
  align-items: flex-start;
  gap: 20px;
}
.top .row {
  flex-wrap: nowrap;
}
.two {
  display: grid;
  grid-template-columns: 260px minmax(0, 1fr);
  gap: 32px;
  align-items: start;
}
.line {
  display: grid;
  grid-template-columns: 40px 1fr 96px;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  padding: 0 8px;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.line:hover {
  background: var(--wash);
}
.line.on {
  background: var(--dusk-wash);
}
.bar {
  height: 8px;
  border: 1px solid var(--granite);
  background: var(--sheet);
}
.bar i {
  display: block;
  height: 100%;
  background: var(--granite);
}
.grade {
  gap: 14px;
}
.picture {
  flex: none;
  padding: 8px 12px;
  width: 100%;
}
.picture:hover {
  border-color: var(--dusk);
}
.tag {
  padding: 4px 9px;
  text-decoration: none;
  color: inherit;
}
.tag.on {
  background: var(--dusk);
  color: var(--sheet);
  border-color: var(--dusk);
}
.where li {
  display: grid;
  grid-template-columns: 44px 190px 1fr;
  gap: 12px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
  align-items: center;
}
.work {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  margin-right: 12px;
}
progress {
  accent-color: var(--dusk);
  width: 120px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
  .where li {
    grid-template-columns: 44px 1fr;
  }
  .top {
    flex-wrap: wrap;
  }
  .tag {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
}
</style>
