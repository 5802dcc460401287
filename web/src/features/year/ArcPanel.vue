<script setup lang="ts">
// One stratum: its phases on real days, and the ways to move, lengthen or shorten it. What it pushed is said.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import DayField from '@/components/DayField.vue'
import { capital, shortDay } from '@/composables/words'
import { phaseName } from '@/locales/names'
import { say } from '@/locales/say'
import { movedBy } from '@/locales/sayings'

const props = defineProps<{
  year: Schemas['YearRead']
  concept: Schemas['ConceptRead']
  busy: boolean
  pushed: readonly { name: string; by: number }[] | null
  refused: string
}>()
const emit = defineEmits<{ override: [override: Schemas['ArcOverrideBody']] }>()
const arc = computed(() => props.year.arcs.find((one) => one.concept.key === props.concept.key))
const override = computed(() =>
  props.year.overrides.find((one) => one.concept === props.concept.key),
)
const day = (lesson: number) => shortDay(props.year.lessons[lesson - 1] ?? '')
const taught_concepts = computed(() =>
  props.year.taught_concepts.filter((taught) => taught.concept === props.concept.key),
)
const length = (phase: string, usual: number) => {
  const lessons = arc.value?.phases
    .filter((run) => run.phase === phase)
    .reduce((sum, run) => sum + run.last - run.first + 1, 0)
  return lessons ?? usual
}
const practise = computed(() => length('practise', 0) + length('warm', 0))
const prepare = computed(() => length('prepare', 0))
const FREE = {
  start: null,
  prepare: null,
  practise: null,
  not_before: null,
  not_after: null,
  pause_from: null,
  pause: null,
}
const kept = () => ({
  ...FREE,
  ...override.value,
  concept: props.concept.key,
  next_year: false,
})
const send = (change: Partial<Schemas['ArcOverrideBody']>) =>
  emit('override', { ...kept(), ...change })
const starting = computed(() => override.value?.start ?? arc.value?.start ?? props.year.next_lesson)
const longRuns = computed(() =>
  arc.value && !arc.value.short
    ? arc.value.phases.filter((run) => ['prepare', 'present', 'practise'].includes(run.phase))
    : [],
)
const middle = computed(() => {
  const lessons = longRuns.value
    .flatMap((run) => Array.from({ length: run.last - run.first + 1 }, (_, n) => run.first + n))
    .filter((lesson) => lesson >= props.year.next_lesson)
  return lessons[Math.ceil(lessons.length / 2)] ?? props.year.next_lesson
})
const restFrom = ref(0)
const restFor = ref(2)
watch(
  () => [props.concept.key, override.value?.pause_from, middle.value],
  () => {
    restFrom.value = override.value?.pause_from ?? middle.value
    restFor.value = override.value?.pause ?? 2
  },
  { immediate: true },
)
/** A split arc keeps its beginning, so that the rest lies where it was put. */
const split = () =>
  arc.value &&
  !arc.value.short &&
  send({
    start: arc.value.begun ? null : starting.value,
    pause_from: restFrom.value,
    pause: restFor.value,
  })
defineExpose({
  split,
  move: (by: number) => arc.value && !arc.value.begun && send({ start: starting.value + by }),
  stretch: (by: number) => arc.value && !arc.value.short && send({ practise: practise.value + by }),
})
</script>

<template>
  <div class="stack panel">
    <p class="row">
      <ConceptSign :sign="concept.sign" :name="concept.name" :height="30" /><span class="quiet">{{
        concept.strand
      }}</span>
    </p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <dl v-if="arc">
      <template v-for="{ phase, first: from, last: to } in arc.phases" :key="phase + from"
        ><dt>{{ capital(phaseName(phase)) }}</dt>
        <dd>
          {{ day(from) }}<template v-if="to !== from"> – {{ day(to) }}</template>
          <span class="quiet small">{{ say('year-lessons-of', { n: to - from + 1 }) }}</span>
        </dd></template
      >
    </dl>
    <p v-if="taught_concepts.length" class="small quiet">
      {{ capital(say('year-was')) }}: {{ taught_concepts.length }} ×,
      {{ day(taught_concepts[0]?.lesson ?? 1) }} – {{ day(taught_concepts.at(-1)?.lesson ?? 1) }}
    </p>
    <p v-if="arc?.begun" class="small quiet">{{ say('year-begun') }}</p>
    <p v-if="arc?.fixed" class="small">{{ say('year-placed') }}</p>
    <template v-if="arc">
      <div v-if="!arc.begun" class="acts">
        <span>{{ say('year-begin') }} {{ starting }}</span
        ><v-btn
          size="small"
          :disabled="busy || starting <= year.next_lesson"
          @click="send({ start: starting - 1 })"
          >{{ say('year-earlier') }} <span class="kbd">[</span></v-btn
        ><v-btn size="small" :disabled="busy" @click="send({ start: starting + 1 })"
          >{{ say('year-later-one') }} <span class="kbd">]</span></v-btn
        >
      </div>
      <div v-if="prepare > 0 && !arc.begun && !arc.short" class="acts">
        <span>{{ say('year-prepare') }} {{ prepare }}</span
        ><v-btn
          size="small"
          :disabled="busy || prepare <= 1"
          @click="send({ prepare: prepare - 1 })"
          >{{ say('year-shorter') }}</v-btn
        ><v-btn size="small" :disabled="busy" @click="send({ prepare: prepare + 1 })">{{
          say('year-longer')
        }}</v-btn>
      </div>
      <div v-if="practise > 0 && !arc.short" class="acts">
        <span>{{ say('year-practise') }} {{ practise }}</span
        ><v-btn
          size="small"
          :disabled="busy || practise <= 4"
          @click="send({ practise: practise - 1 })"
          >{{ say('year-shorter') }} <span class="kbd">-</span></v-btn
        ><v-btn size="small" :disabled="busy" @click="send({ practise: practise + 1 })"
          >{{ say('year-longer') }} <span class="kbd">+</span></v-btn
        >
      </div>
      <div v-if="longRuns.length" class="split">
        <v-number-input
          v-model="restFrom"
          :label="say('year-split-from')"
          :min="year.next_lesson"
          :max="year.lessons.length"
        />
        <v-number-input v-model="restFor" :label="say('year-split-length')" :min="1" :max="12" />
        <v-btn size="small" :disabled="busy || !restFor" @click="split"
          >{{ say('year-split') }} <span class="kbd">s</span></v-btn
        >
        <v-btn
          v-if="override?.pause"
          size="small"
          :disabled="busy"
          @click="send({ pause_from: null, pause: null })"
          >{{ say('year-join') }}</v-btn
        >
      </div>
      <p v-if="override?.pause && override.pause_from" class="small">
        {{ say('year-rests', { from: day(override.pause_from), n: override.pause }) }}
      </p>
      <div v-if="!arc.begun" class="split">
        <DayField
          :model-value="override?.not_before ?? null"
          :label="say('year-not-before')"
          :disabled="busy"
          @update:model-value="send({ not_before: $event })"
        />
        <DayField
          :model-value="override?.not_after ?? null"
          :label="say('year-not-after')"
          :disabled="busy"
          @update:model-value="send({ not_after: $event })"
        />
      </div>
      <div class="row">
        <v-btn v-if="override" size="small" :disabled="busy" @click="send(FREE)">{{
          say('year-free')
        }}</v-btn><v-btn
          v-if="!arc.begun"
          size="small"
          :disabled="busy"
          @click="send({ start: null, next_year: true })"
          >{{ say('year-next-year') }}</v-btn
        >
      </div>
    </template>
    <v-btn v-else-if="override?.next_year" size="small" :disabled="busy" @click="send({})">{{
      say('year-this-year')
    }}</v-btn>
    <section v-if="pushed" class="stack" role="status">
      <h3>{{ say('year-moved') }}</h3>
      <p v-if="!pushed.length" class="quiet">{{ say('year-nothing-moved') }}</p>
      <ul>
        <li v-for="one in pushed" :key="one.name">
          {{ capital(one.name) }}: {{ movedBy(one.by) }}
        </li>
      </ul>
    </section>
    <p v-if="concept.prompt" class="quiet">“{{ concept.prompt }}”</p>
  </div>
</template>

<style scoped>
.panel {
  gap: 16px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 14px;
}
dt {
  color: var(--granite);
}
.split > .v-input {
  flex: 1 1 140px;
}
.split {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.acts {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 8px;
  align-items: center;
}
</style>
