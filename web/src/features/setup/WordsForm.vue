<script setup lang="ts">
// What a school calls things: its phases, its syllables, its names for degrees and rhythms.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { choices, say } from '@/locales/say'

const props = defineProps<{ words: Schemas['WordsRead']; busy: boolean }>()
const emit = defineEmits<{ keep: [words: Schemas['WordsBody']] }>()
const mine = ref<Schemas['WordsBody']>()
watch(
  () => props.words,
  (now) => {
    const { so, ti, names, rhythm, minor, model, phase_words } = now
    mine.value = {
      so,
      ti,
      names,
      rhythm,
      minor,
      model,
      phase_words: { ...phase_words },
    } as Schemas['WordsBody']
  },
  { immediate: true },
)
const model = computed(() => props.words.models.find((one) => one.key === mine.value?.model))
const phases = computed(() => [
  ...new Map((model.value?.phases ?? []).map((one) => [one.key, one])).values(),
])
function word(key: string, event: Event) {
  if (!mine.value) return
  const said = (event.target as HTMLInputElement).value.trim()
  const rest = Object.fromEntries(
    Object.entries(mine.value.phase_words).filter(([one]) => one !== key),
  )
  mine.value.phase_words = said && said !== key ? { ...rest, [key]: said } : rest
}
</script>

<template>
  <form v-if="mine" class="words" @submit.prevent="emit('keep', mine)">
    <p class="quiet small">{{ say('words-lead') }}</p>
    <label
      >{{ say('words-model') }}
      <select v-model="mine.model">
        <option v-for="one in words.models" :key="one.key" :value="one.key">{{ one.name }}</option>
      </select></label
    >
    <fieldset>
      <legend class="small quiet">{{ say('words-own') }}</legend>
      <label v-for="one in phases" :key="one.key"
        ><span class="small quiet">{{ say('words-usual', { n: one.usual }) }}</span
        ><input
          :value="mine.phase_words[one.key] ?? one.key"
          :aria-label="`${say('words-own')}: ${one.key}`"
          maxlength="40"
          @change="word(one.key, $event)"
      /></label>
    </fieldset>
    <label
      >{{ say('words-so') }}
      <select v-model="mine.so">
        <option>so</option>
        <option>sol</option>
      </select></label
    >
    <label
      >{{ say('words-ti') }}
      <select v-model="mine.ti">
        <option>ti</option>
        <option>si</option>
      </select></label
    >
    <p v-if="mine.ti === 'si'" class="small">{{ say('words-si-note') }}</p>
    <label
      >{{ say('words-names') }}
      <select v-model="mine.names">
        <option
          v-for="one in choices('words-names-of', ['solfa', 'numbers', 'letters'])"
          :key="one.value"
          :value="one.value"
        >
          {{ one.title }}
        </option>
      </select></label
    >
    <label
      >{{ say('words-rhythm') }}
      <select v-model="mine.rhythm">
        <option
          v-for="one in choices('words-rhythm-of', [
            'ta-titi',
            'beat-function',
            'macro-micro',
            'counting',
          ])"
          :key="one.value"
          :value="one.value"
        >
          {{ one.title }}
        </option>
      </select></label
    >
    <label
      >{{ say('words-minor') }}
      <select v-model="mine.minor">
        <option
          v-for="one in choices('words-minor-of', ['la', 'do'])"
          :key="one.value"
          :value="one.value"
        >
          {{ one.title }}
        </option>
      </select></label
    >
    <div>
      <v-btn type="submit" :disabled="busy">{{ say('words-keep') }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.words {
  display: grid;
  gap: 12px;
}
label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 10px;
  align-items: center;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
}
legend {
  padding-bottom: 4px;
}
input,
select {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 6px 10px;
  min-height: 40px;
  min-width: 0;
  width: 100%;
}
@media (max-width: 900px) {
  input,
  select {
    min-height: 44px;
  }
}
</style>
