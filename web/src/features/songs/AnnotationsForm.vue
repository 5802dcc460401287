<script setup lang="ts">
// The teacher's word on a song: do, home, how it is counted, where phrases begin, their letters. What is computed stays beside it.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import { choices, say, sayOf } from '@/locales/say'

type Annotations = Schemas['AnnotationsBody']
const props = defineProps<{
  song: Schemas['SongRead']
  concepts: readonly { key: string; name: string }[]
  refused: string
  busy: boolean
}>()
const emit = defineEmits<{ annotate: [annotations: Annotations] }>()
const LETTERS = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb'] as const
const RESTING = ['do', 'la', 're', 'mi', 'fa', 'so'] as const
const annotations = ref<Annotations>({
  do: null,
  resting: null,
  beat: null,
  phrases: [],
  labels: [],
  repairs: {},
  has: [],
  lacks: [],
  sung: null,
})
const tags = computed(() => [
  ...(props.song.annotations.has ?? []).map((key) => ({ key, has: true })),
  ...(props.song.annotations.lacks ?? []).map((key) => ({ key, has: false })),
])
const said = computed(() =>
  Boolean(
    props.song.annotations.do ||
    props.song.annotations.sung ||
    props.song.annotations.resting ||
    props.song.annotations.beat ||
    props.song.annotations.phrases?.length ||
    props.song.annotations.labels?.length ||
    Object.keys(props.song.annotations.repairs ?? {}).length ||
    tags.value.length,
  ),
)
const bars = ref('')
const letters = ref('')
watch(
  () => props.song.annotations,
  (now) => {
    annotations.value = { ...now } as Annotations
    bars.value = (now.phrases ?? []).join(', ')
    letters.value = (now.labels ?? []).join(' ')
  },
  { immediate: true },
)
function send(change: Partial<Annotations> = {}) {
  const phrases = (bars.value.match(/\d+/g) ?? []).map(Number)
  emit('annotate', {
    ...annotations.value,
    phrases,
    labels: letters.value.match(/[a-z]'*/g) ?? [],
    ...change,
  })
}
function undo() {
  bars.value = letters.value = ''
  emit('annotate', {
    do: null,
    resting: null,
    beat: null,
    phrases: [],
    labels: [],
    repairs: {},
    has: [],
    lacks: [],
    sung: null,
  })
}
const name = (key: string) => props.concepts.find((one) => one.key === key)?.name ?? key
function tag(event: Event, as: 'has' | 'lacks') {
  const select = event.target as HTMLSelectElement
  const key = select.value
  select.value = ''
  if (!key) return
  const without = (list: string[] | undefined) => (list ?? []).filter((one) => one !== key)
  send({
    has: without(annotations.value.has),
    lacks: without(annotations.value.lacks),
    [as]: [...without(annotations.value[as]), key],
  })
}
const untag = (key: string) =>
  send({
    has: (annotations.value.has ?? []).filter((one) => one !== key),
    lacks: (annotations.value.lacks ?? []).filter((one) => one !== key),
  })
const pick = (event: Event) => (event.target as HTMLSelectElement).value || null
</script>

<template>
  <details class="told" :open="said">
    <summary>{{ say('told-title') }}</summary>
    <p v-if="said" class="small quiet">
      {{ say('told-own') }}:
      {{ song.own.do ? say('song-do-is', { d: pitchName(song.own.do) }) : say('song-do-unknown') }},
      {{
        song.own.resting_tone
          ? say('song-rests', { tone: degreeName(song.own.resting_tone) })
          : say('song-rests-not')
      }}, {{ song.own.form }}
    </p>
    <label
      >{{ say('told-do') }}
      <select
        :value="song.annotations.do ?? ''"
        :disabled="busy"
        @change="send({ do: pick($event) as Annotations['do'] })"
      >
        <option value="">{{ say('told-computed') }}</option>
        <option v-for="one in LETTERS" :key="one" :value="one">{{ pitchName(one) }}</option>
      </select></label
    >
    <label
      >{{ say('told-sung') }}
      <select
        :value="song.annotations.sung ?? ''"
        :disabled="busy"
        @change="send({ sung: pick($event) as Annotations['sung'] })"
      >
        <option value="">{{ say('told-printed') }}</option>
        <option v-for="one in LETTERS" :key="one" :value="one">{{ pitchName(one) }}</option>
      </select></label
    >
    <label
      >{{ say('told-resting') }}
      <select
        :value="song.annotations.resting ?? ''"
        :disabled="busy"
        @change="send({ resting: pick($event) as Annotations['resting'] })"
      >
        <option value="">{{ say('told-computed') }}</option>
        <option v-for="one in RESTING" :key="one" :value="one">{{ degreeName(one) }}</option>
      </select></label
    >
    <label
      >{{ say('told-beat') }}
      <select
        :value="song.annotations.beat ?? ''"
        :disabled="busy"
        @change="send({ beat: pick($event) as Annotations['beat'] })"
      >
        <option value="">{{ say('told-printed') }}</option>
        <option
          v-for="one in choices('told-beats', ['1/2', '1', '3/2', '2', '3'])"
          :key="one.value"
          :value="one.value"
        >
          {{ one.title }}
        </option>
      </select></label
    >
    <label
      >{{ say('told-phrases') }}
      <input
        v-model="bars"
        inputmode="numeric"
        :placeholder="song.phrase_bars.slice(1).join(', ')"
        :disabled="busy"
        @change="send()"
    /></label>
    <label
      >{{ say('told-letters') }}
      <input v-model="letters" :placeholder="song.form" :disabled="busy" @change="send()"
    /></label>
    <label v-for="as in ['has', 'lacks'] as const" :key="as"
      >{{ sayOf('told', as) }}
      <select :disabled="busy" @change="tag($event, as)">
        <option value="">{{ say('told-choose') }}</option>
        <option v-for="one in concepts" :key="one.key" :value="one.key">{{ one.name }}</option>
      </select></label
    >
    <p v-if="tags.length" class="row">
      <button
        v-for="one in tags"
        :key="one.key"
        class="tag"
        :disabled="busy"
        :aria-label="say('told-untag', { name: name(one.key) })"
        @click="untag(one.key)"
      >
        {{ one.has ? '+' : '−' }} {{ name(one.key) }} ×
      </button>
    </p>
    <p v-if="Object.keys(song.annotations.repairs ?? {}).length" class="small">
      {{ say('told-mended', { bars: Object.keys(song.annotations.repairs ?? {}).join(', ') }) }}
    </p>
    <p v-if="refused" class="wrong small" role="alert">△ {{ refused }}</p>
    <v-btn size="small" :disabled="busy" @click="undo">{{ say('told-undo') }}</v-btn>
  </details>
</template>

<style scoped>
.told {
  display: grid;
  gap: 8px;
}
summary {
  cursor: pointer;
  min-height: 32px;
}
label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  padding: 3px 0;
}
input,
select {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 4px 8px;
  min-height: 36px;
  min-width: 0;
  width: 100%;
}
@media (max-width: 900px) {
  input,
  select,
  summary {
    min-height: 44px;
  }
}
</style>
