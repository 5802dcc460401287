<script setup lang="ts">
// What a school calls things: its phases, its syllables, its names for degrees and rhythms, what children are told; dates and times.
import { computed } from 'vue'
import { useDraft } from '@/api/drafts'
import type { Schemas } from '@/api/client'
import FoldPart from '@/components/FoldPart.vue'
import { choices, say } from '@/locales/say'

const props = defineProps<{ words: Schemas['WordsRead']; busy: boolean }>()
const emit = defineEmits<{ keep: [words: Schemas['WordsBody']] }>()
const { draft: mine } = useDraft(
  () => '/words',
  () => props.words,
  wordsBody,
)
const model = computed(() => props.words.models.find((one) => one.key === mine.value?.model))
const phases = computed(() => [
  ...new Map((model.value?.phases ?? []).map((one) => [one.key, one])).values(),
])
function word(key: string, text: string) {
  if (!mine.value) return
  const said = text.trim()
  const rest = Object.fromEntries(
    Object.entries(mine.value.phase_words).filter(([one]) => one !== key),
  )
  const usually = phases.value.find((one) => one.key === key)?.word
  mine.value.phase_words = said && said !== usually ? { ...rest, [key]: said } : rest
}
const ownSyllables = computed(() => props.words.figures.some((one) => one.own))
/** Where in the model a concept may get its name: after which of its phases. */
const nameAfter = computed(() => [
  { value: '', title: say('words-name-usual') },
  ...(model.value?.name_after ?? []).map((key) => ({
    value: key,
    title: mine.value?.phase_words[key] ?? phases.value.find((one) => one.key === key)?.word ?? key,
  })),
])
const usual = (figure: Schemas['FigureWords']) =>
  figure.rest ? say('words-silent') : (figure.systems[mine.value?.rhythm ?? 'ta-titi'] ?? '')
</script>

<script lang="ts">
/** The school's words as they are sent. */
export function wordsBody(now: Schemas['WordsRead']): Schemas['WordsBody'] {
  const own = (list: readonly { key: string; own: string }[]) =>
    Object.fromEntries(list.map((one) => [one.key, one.own]))
  const { so, ti, names, rhythm, minor, model, phase_words, name_after, dates, clock } = now
  return {
    so,
    ti,
    names,
    rhythm,
    minor,
    model,
    phase_words: { ...phase_words },
    name_after,
    dates,
    clock,
    terms: own(now.terms),
    own_rhythm: own(now.figures),
  } as Schemas['WordsBody']
}
</script>

<template>
  <form v-if="mine" class="words" @submit.prevent="emit('keep', mine)">
    <p class="quiet small">{{ say('words-lead') }}</p>
    <v-select
      v-model="mine.model"
      :label="say('words-model')"
      :items="words.models.map((one) => ({ value: one.key, title: one.name }))"
    />
    <v-select
      v-if="nameAfter.length > 2"
      v-model="mine.name_after"
      :label="say('words-name-after')"
      :items="nameAfter"
    />
    <fieldset>
      <legend class="small quiet">{{ say('words-own') }}</legend>
      <v-text-field
        v-for="one in phases"
        :key="one.key"
        :model-value="mine.phase_words[one.key] ?? one.word"
        :label="`${one.word}, ${say('words-usual', { n: one.usual })}`"
        maxlength="40"
        @update:model-value="word(one.key, $event)"
      />
    </fieldset>
    <div class="pair">
      <v-select v-model="mine.so" :label="say('words-so')" :items="['so', 'sol']" />
      <v-select v-model="mine.ti" :label="say('words-ti')" :items="['ti', 'si']" />
    </div>
    <p v-if="mine.ti === 'si'" class="small">{{ say('words-si-note') }}</p>
    <v-select
      v-model="mine.names"
      :label="say('words-names')"
      :items="choices('words-names-of', ['solfa', 'numbers', 'letters'])"
    />
    <v-select
      v-model="mine.minor"
      :label="say('words-minor')"
      :items="choices('words-minor-of', ['la', 'do'])"
    />
    <v-select
      v-model="mine.rhythm"
      :label="say('words-rhythm')"
      :items="choices('words-rhythm-of', ['ta-titi', 'beat-function', 'macro-micro', 'counting'])"
    />
    <FoldPart :open="ownSyllables">
      <template #title>{{ say('words-own-rhythm') }}</template>
      <p class="quiet small">{{ say('words-own-rhythm-hint') }}</p>
      <div v-if="mine.own_rhythm" class="figures">
        <v-text-field
          v-for="one in words.figures"
          :key="one.key"
          v-model="mine.own_rhythm[one.key]"
          :label="one.name"
          :placeholder="usual(one)"
          persistent-placeholder
          maxlength="40"
        />
      </div>
    </FoldPart>
    <fieldset v-if="mine.terms">
      <legend class="small quiet">{{ say('words-terms') }}. {{ say('words-terms-hint') }}</legend>
      <div class="pair">
        <v-text-field
          v-for="one in words.terms"
          :key="one.key"
          v-model="mine.terms[one.key as keyof typeof mine.terms]"
          :label="one.usual"
          :placeholder="one.usual"
          maxlength="40"
        />
      </div>
    </fieldset>
    <div class="pair">
      <v-select
        v-model="mine.dates"
        :label="say('words-dates')"
        :items="choices('words-dates-of', ['day_first', 'month_first', 'iso'])"
      />
      <v-select
        v-model="mine.clock"
        :label="say('words-clock')"
        :items="choices('words-clock-of', ['24', '12'])"
      />
    </div>
    <div>
      <v-btn type="submit" :disabled="busy">{{ say('words-keep') }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.words,
.figures {
  display: grid;
  gap: 12px;
}
.figures {
  padding-top: 10px;
  grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 12px;
}
legend {
  padding-bottom: 8px;
}
</style>
