<script setup lang="ts">
// One stratum: its phases on real days, and the ways to move, lengthen or shorten it. What it pushed is said.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import { capital, shortDay } from '@/composables/words'
import { say } from '@/locales/en'

const props = defineProps<{ year: Schemas['YearRead']; concept: Schemas['ConceptRead']; busy: boolean; pushed: readonly { name: string; by: number }[] | null; refused: string }>()
const emit = defineEmits<{ wish: [wish: Schemas['WishBody']] }>()
const arc = computed(() => props.year.arcs.find((one) => one.concept.key === props.concept.key))
const wish = computed(() => props.year.wishes.find((one) => one.concept === props.concept.key))
const day = (lesson: number) => shortDay(props.year.lessons[lesson - 1] ?? '')
const touches = computed(() => props.year.touches.filter((touch) => touch.concept === props.concept.key))
const length = (phase: string, usual: number) => {
  const lessons = arc.value?.phases.filter((run) => run.phase === phase).reduce((sum, run) => sum + run.last - run.first + 1, 0)
  return lessons ?? usual
}
const practise = computed(() => length('practise', 0) + length('warm', 0))
const prepare = computed(() => length('prepare', 0))
const kept = () => ({ concept: props.concept.key, start: wish.value?.start ?? null, prepare: wish.value?.prepare ?? null, practise: wish.value?.practise ?? null, next_year: false })
const send = (change: Partial<Schemas['WishBody']>) => emit('wish', { ...kept(), ...change })
const starting = computed(() => wish.value?.start ?? arc.value?.start ?? props.year.next_lesson)
defineExpose({ move: (by: number) => arc.value && !arc.value.begun && send({ start: starting.value + by }), stretch: (by: number) => arc.value && !arc.value.short && send({ practise: practise.value + by }) })
</script>

<template>
  <div class="stack panel">
    <p class="row"><ConceptSign :sign="concept.sign" :name="concept.name" :height="30" /><span class="quiet">{{ concept.strand }}</span></p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <dl v-if="arc">
      <template v-for="{ phase, first: from, last: to } in arc.phases" :key="phase + from"><dt>{{ capital(say.year.phases[phase] ?? phase) }}</dt><dd>{{ day(from) }}<template v-if="to !== from"> – {{ day(to) }}</template> <span class="quiet small">{{ say.year.lessonsOf(to - from + 1) }}</span></dd></template>
    </dl>
    <p v-if="touches.length" class="small quiet">{{ capital(say.year.was) }}: {{ touches.length }} ×, {{ day(touches[0]?.lesson ?? 1) }} – {{ day(touches.at(-1)?.lesson ?? 1) }}</p>
    <p v-if="arc?.begun" class="small quiet">{{ say.year.begun }}</p>
    <p v-if="arc?.fixed" class="small">{{ say.year.placed }}</p>
    <template v-if="arc">
      <div v-if="!arc.begun" class="acts"><span>{{ say.year.begin }} {{ starting }}</span><v-btn size="small" :disabled="busy || starting <= year.next_lesson" @click="send({ start: starting - 1 })">{{ say.year.earlier }} <span class="kbd">[</span></v-btn><v-btn size="small" :disabled="busy" @click="send({ start: starting + 1 })">{{ say.year.laterOne }} <span class="kbd">]</span></v-btn></div>
      <div v-if="prepare > 0 && !arc.begun && !arc.short" class="acts"><span>{{ say.year.prepare }} {{ prepare }}</span><v-btn size="small" :disabled="busy || prepare <= 1" @click="send({ prepare: prepare - 1 })">{{ say.year.shorter }}</v-btn><v-btn size="small" :disabled="busy" @click="send({ prepare: prepare + 1 })">{{ say.year.longer }}</v-btn></div>
      <div v-if="practise > 0 && !arc.short" class="acts"><span>{{ say.year.practise }} {{ practise }}</span><v-btn size="small" :disabled="busy || practise <= 4" @click="send({ practise: practise - 1 })">{{ say.year.shorter }} <span class="kbd">-</span></v-btn><v-btn size="small" :disabled="busy" @click="send({ practise: practise + 1 })">{{ say.year.longer }} <span class="kbd">+</span></v-btn></div>
      <div class="row"><v-btn v-if="wish" size="small" :disabled="busy" @click="send({ start: null, prepare: null, practise: null })">{{ say.year.free }}</v-btn><v-btn v-if="!arc.begun" size="small" :disabled="busy" @click="send({ start: null, next_year: true })">{{ say.year.nextYear }}</v-btn></div>
    </template>
    <v-btn v-else-if="wish?.next_year" size="small" :disabled="busy" @click="send({})">{{ say.year.thisYear }}</v-btn>
    <section v-if="pushed" class="stack" role="status"><h3>{{ say.year.moved }}</h3><p v-if="!pushed.length" class="quiet">{{ say.year.nothingMoved }}</p><ul><li v-for="one in pushed" :key="one.name">{{ capital(one.name) }}: {{ say.year.by(one.by) }}</li></ul></section>
    <p v-if="concept.prompt" class="quiet">“{{ concept.prompt }}”</p>
  </div>
</template>

<style scoped>
.panel { gap: 16px; }
dl { display: grid; grid-template-columns: auto 1fr; gap: 4px 14px; }
dt { color: var(--granite); }
.acts { display: grid; grid-template-columns: 1fr auto auto; gap: 8px; align-items: center; }
</style>
