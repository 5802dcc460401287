<script setup lang="ts">
// Native: whole paragraphs to choose from.
// A section: what is due, which songs serve it, what it is secure in, its next lesson.
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { type Purpose, useSection, useSongsFor } from '@/api/queries'
import { useLessonActs } from '@/api/lessons'
import ConceptSign from '@/components/ConceptSign.vue'
import LessonContour from '@/components/LessonContour.vue'
import PageState from '@/components/PageState.vue'
import ReasonList from '@/components/ReasonList.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import { useTrail } from '@/composables/useTrail'
import { capital, clock, shortDay, weekdayShort } from '@/composables/words'
import SectionChange from '@/features/setup/SectionChange.vue'
import FitList from '@/features/songs/FitList.vue'
import { gradesName, purposeName } from '@/locales/names'
import { say } from '@/locales/say'

const props = defineProps<{ id: string }>()
const router = useRouter()
const section = useSection(() => props.id)
const found = computed(() => section.data.value)
useTrail(() =>
  found.value
    ? [
        { says: gradesName(found.value.section) },
        { says: found.value.section.name, to: `/sections/${props.id}` },
      ]
    : [],
)

const concept = ref('')
const purpose = ref<Purpose>('prepare')
const picked = ref('')
const changing = ref(false)
const due = computed(() => found.value?.due.find((item) => item.concept.key === concept.value))
watch(
  () => found.value?.due,
  (items) => {
    if (items && !items.some((item) => item.concept.key === concept.value))
      choose(items[0]?.concept.key ?? '')
  },
  { immediate: true },
)
function choose(key: string) {
  concept.value = key
  picked.value = ''
  purpose.value = found.value?.due.find((item) => item.concept.key === key)?.purpose ?? 'prepare'
}
const fits = useSongsFor(() => props.id, concept, purpose)
const chosen = computed(() => fits.data.value?.find((fit) => fit.song.id === picked.value))
const acts = useLessonActs('')
async function propose(which: { day?: string; starts?: string } = {}) {
  const made = await acts.propose.mutateAsync({ section: props.id, ...which })
  await router.push(`/lessons/${made.id}`)
}
const purposes: Purpose[] = ['prepare', 'present', 'practise']
</script>

<template>
  <PageState v-if="!found" :error="section.error.value" @again="section.refetch()" />
  <div v-else class="with-drawer">
    <div class="page">
      <header class="row spread">
        <div>
          <h1>{{ found.section.name }}</h1>
          <p class="quiet">
            {{ say('section-title', { grade: gradesName(found.section), roll: found.roll }) }} ·
            {{
              found.meets
                .map((one) => `${weekdayShort(one.weekday)} ${clock(one.starts)}`)
                .join(', ')
            }}
            · {{ say('section-lessons', { n: found.lessons_done }) }}
          </p>
        </div>
        <div class="row">
          <v-btn :to="`/sets/${id}`">{{ say('set-open') }}</v-btn>
          <v-btn :to="`/sections/${id}/knows`">{{ say('knows-title') }}</v-btn>
          <v-btn :to="`/sections/${id}/year`">{{ say('year-title') }}</v-btn><v-btn
            :to="`/sections/${id}/ledger`"
            >{{ say('section-ledger') }}</v-btn
          ><v-btn :to="`/sections/${id}/seats`">{{ say('seats-title') }}</v-btn
          ><v-btn :aria-pressed="changing" @click="changing = !changing">{{
            say('about-change')
          }}</v-btn>
        </div>
      </header>
      <section class="next sheet">
        <div>
          <h2>{{ say('section-next-lesson') }}</h2>
          <p v-if="found.open_lesson" class="quiet">{{ shortDay(found.open_lesson.day) }}</p>
        </div>
        <LessonContour v-if="found.open_lesson" :blocks="found.open_lesson.parts" :height="52" />
        <p v-else class="quiet">{{ say('today-no-lesson') }}</p>
        <v-btn v-if="found.open_lesson" class="main" :to="`/lessons/${found.open_lesson.id}`">{{
          say('section-open')
        }}</v-btn>
        <v-btn v-else class="main" :disabled="acts.propose.isPending.value" @click="propose()">{{
          say('section-propose')
        }}</v-btn>
      </section>
      <ol v-if="found.ahead.length > 1" class="ahead" :aria-label="say('section-ahead')">
        <li v-for="one in found.ahead.slice(1)" :key="one.day + one.starts">
          <router-link v-if="one.lesson_id" :to="`/lessons/${one.lesson_id}`" class="later"
            ><span
              >{{ shortDay(one.day) }}
              <span class="quiet small">{{ say('lesson-title', { n: one.number }) }}</span></span
            ><LessonContour :blocks="one.parts" :height="26"
          /></router-link>
          <div v-else class="later">
            <span
              >{{ shortDay(one.day) }}
              <span class="quiet small">{{ say('lesson-title', { n: one.number }) }}</span></span
            ><v-btn
              size="small"
              :disabled="acts.propose.isPending.value"
              @click="propose({ day: one.day, starts: one.starts })"
              >{{ say('section-propose-this') }}</v-btn
            >
          </div>
        </li>
      </ol>
      <p v-if="acts.propose.error.value" class="wrong" role="alert">
        △ {{ acts.propose.error.value.message }}
      </p>
      <p v-for="says in found.dropped" :key="says" class="small">△ {{ says }}</p>
      <div class="work">
        <section class="stack due">
          <h2>{{ say('section-due') }}</h2>
          <p v-if="!found.due.length" class="quiet">{{ say('section-nothing-due') }}</p>
          <button
            v-for="item in found.due"
            :key="item.concept.key"
            :class="['item', { on: item.concept.key === concept }]"
            :aria-pressed="item.concept.key === concept"
            @click="choose(item.concept.key)"
          >
            <ConceptSign :sign="item.concept.sign" :name="item.concept.name" />
            <span
              ><strong>{{ capital(item.phase) }} {{ item.concept.name }}</strong
              ><span
                v-for="reason in item.reasons"
                :key="reason.sentence"
                class="small quiet block"
                >{{ reason.sentence }}</span
              ></span
            >
          </button>
          <h2 class="gap">{{ say('section-secure') }}</h2>
          <p v-if="found.secure.length" class="signs">
            <span v-for="one in found.secure" :key="one.key" class="secure-sign"
              ><ConceptSign :sign="one.sign" :name="one.name" :height="22" /><span
                v-if="one.sign !== one.name"
                class="small narrow"
                >{{ one.name }}</span
              ></span
            >
          </p>
          <p v-else class="quiet">{{ say('section-nothing-secure') }}</p>
          <p v-if="found.declared_only" class="small quiet">
            {{ say('section-declared', { n: found.declared_only }) }}
          </p>
        </section>
        <section v-if="due" class="stack songs">
          <div class="row spread">
            <h2>{{ say('section-songs-for') }}</h2>
            <div class="purposes" role="group" :aria-label="say('section-songs-for')">
              <v-btn
                v-for="one in purposes"
                :key="one"
                size="small"
                :class="{ on: one === purpose }"
                :aria-pressed="one === purpose"
                @click="purpose = one"
              >
                {{ capital(purposeName(one)) }}
              </v-btn>
            </div>
          </div>
          <PageState v-if="!fits.data.value" :error="fits.error.value" @again="fits.refetch()" />
          <div v-else-if="!fits.data.value.length" class="stack">
            <p class="quiet">{{ say('section-no-songs') }}</p>
            <div>
              <v-btn to="/songs">{{ say('section-bring-songs') }}</v-btn>
            </div>
          </div>
          <FitList v-else :fits="fits.data.value" :picked="picked" @pick="picked = $event" />
        </section>
      </div>
    </div>
    <SideDrawer v-if="changing" :title="say('section-change')" @close="changing = false">
      <SectionChange :id="id" @done="changing = false" />
    </SideDrawer>
    <SideDrawer v-else-if="chosen" :title="chosen.song.title" @close="picked = ''">
      <p class="quiet">
        {{ capital(purposeName(purpose)) }} {{ due?.concept.name }}, {{ found.section.name }}
      </p>
      <ReasonList :reasons="chosen.reasons" />
      <div>
        <v-btn :to="`/songs/${chosen.song.id}`">{{ say('song-open') }}</v-btn>
      </div>
    </SideDrawer>
  </div>
</template>

<style scoped>
.with-drawer {
  display: flex;
  min-height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
}
.next {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 24px;
  align-items: center;
  padding: 14px 16px;
}
.ahead {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}
.later {
  display: grid;
  gap: 6px;
  padding: 8px 12px;
  border: 1px solid var(--line);
  border-radius: 2px;
  color: inherit;
  text-decoration: none;
  align-content: space-between;
  min-height: 74px;
  justify-items: start;
}
a.later:hover {
  background: var(--wash);
}
.work {
  display: grid;
  grid-template-columns: minmax(240px, 0.8fr) minmax(0, 1.6fr);
  gap: 32px;
}
.due {
  align-content: start;
}
.item {
  display: grid;
  grid-template-columns: 58px 1fr;
  gap: 10px;
  padding: 10px 8px;
  border-left: 4px solid transparent;
  border-top: 1px solid var(--line);
  align-items: start;
}
.item:hover {
  background: var(--wash);
}
.item.on {
  border-left-color: var(--dusk);
  background: var(--dusk-wash);
}
.block {
  display: block;
  line-height: 1.35;
  margin-top: 2px;
}
.gap {
  margin-top: 18px;
}
.signs {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.secure-sign {
  border: 1px solid var(--lichen);
  color: var(--lichen);
  border-radius: 2px;
  padding: 3px 8px;
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.purposes {
  display: flex;
  border: 1px solid var(--granite);
  border-radius: 2px;
}
.purposes button {
  padding: 6px 10px;
  min-height: 36px;
  font-size: 14px;
}
.purposes button.on {
  background: var(--dusk);
  color: var(--sheet);
}
@media (max-width: 1100px) {
  .work {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 900px) {
  .next,
  .ahead {
    grid-template-columns: 1fr;
  }
  .purposes button {
    min-height: 44px;
  }
}
</style>
