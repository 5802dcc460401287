<script setup lang="ts">
// The teacher's word on a song: do, home, how it is counted, where phrases begin, their letters. What is computed stays beside it.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import { choices, say, sayOf } from '@/locales/say'
import { type Annotations, nothingSaid } from './annotations'

const props = defineProps<{
  song: Schemas['SongRead']
  concepts: readonly { key: string; name: string }[]
  refused: string
  busy: boolean
}>()
const emit = defineEmits<{ annotate: [annotations: Annotations] }>()
const LETTERS = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb'] as const
const RESTING = ['do', 'la', 're', 'mi', 'fa', 'so'] as const
const annotations = ref<Annotations>(nothingSaid())
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
  emit('annotate', nothingSaid())
}
const name = (key: string) => props.concepts.find((one) => one.key === key)?.name ?? key
function tag(key: string | null, as: 'has' | 'lacks') {
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
    <v-select
      :model-value="song.annotations.do ?? null"
      :label="say('told-do')"
      :items="[
        { value: null, title: say('told-computed') },
        ...LETTERS.map((one) => ({ value: one, title: pitchName(one) })),
      ]"
      :disabled="busy"
      @update:model-value="send({ do: $event })"
    />
    <v-select
      :model-value="song.annotations.sung ?? null"
      :label="say('told-sung')"
      :items="[
        { value: null, title: say('told-printed') },
        ...LETTERS.map((one) => ({ value: one, title: pitchName(one) })),
      ]"
      :disabled="busy"
      @update:model-value="send({ sung: $event })"
    />
    <v-select
      :model-value="song.annotations.resting ?? null"
      :label="say('told-resting')"
      :items="[
        { value: null, title: say('told-computed') },
        ...RESTING.map((one) => ({ value: one, title: degreeName(one) })),
      ]"
      :disabled="busy"
      @update:model-value="send({ resting: $event as Annotations['resting'] })"
    />
    <v-select
      :model-value="song.annotations.beat ?? null"
      :label="say('told-beat')"
      :items="[
        { value: null, title: say('told-printed') },
        ...choices('told-beats', ['1/2', '1', '3/2', '2', '3']),
      ]"
      :disabled="busy"
      @update:model-value="send({ beat: $event as Annotations['beat'] })"
    />
    <v-text-field
      v-model="bars"
      :label="say('told-phrases')"
      inputmode="numeric"
      :placeholder="song.phrase_bars.slice(1).join(', ')"
      :disabled="busy"
      @change="send()"
    />
    <v-text-field
      v-model="letters"
      :label="say('told-letters')"
      :placeholder="song.form"
      :disabled="busy"
      @change="send()"
    />
    <v-autocomplete
      v-for="as in ['has', 'lacks'] as const"
      :key="as"
      :label="sayOf('told', as)"
      :model-value="null"
      :placeholder="say('told-choose')"
      :items="concepts.map((one) => ({ value: one.key, title: one.name }))"
      :disabled="busy"
      @update:model-value="tag($event, as)"
    />
    <p v-if="tags.length" class="row">
      <v-btn
        v-for="one in tags"
        :key="one.key"
        size="small"
        class="tag"
        :disabled="busy"
        :aria-label="say('told-untag', { name: name(one.key) })"
        @click="untag(one.key)"
      >
        {{ one.has ? '+' : '−' }} {{ name(one.key) }} ×
      </v-btn>
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
</style>
