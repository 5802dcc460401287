<script setup lang="ts">
// The teacher's word on a song: do, home, how it is counted, where phrases begin, their letters. What is computed stays beside it.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import { choices, say, sayOf } from '@/locales/say'

type Told = Schemas['ToldBody']
const props = defineProps<{ song: Schemas['SongRead']; concepts: readonly { key: string; name: string }[]; refused: string; busy: boolean }>()
const emit = defineEmits<{ tell: [told: Told] }>()
const LETTERS = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb'] as const
const RESTING = ['do', 'la', 're', 'mi', 'fa', 'so'] as const
const told = ref<Told>({ do: null, resting: null, beat: null, phrases: [], labels: [], repairs: {}, has: [], lacks: [], sung: null })
const tags = computed(() => [...(props.song.told.has ?? []).map((key) => ({ key, has: true })), ...(props.song.told.lacks ?? []).map((key) => ({ key, has: false }))])
const said = computed(() => Boolean(props.song.told.do || props.song.told.sung || props.song.told.resting || props.song.told.beat || props.song.told.phrases?.length || props.song.told.labels?.length || Object.keys(props.song.told.repairs ?? {}).length || tags.value.length))
const bars = ref('')
const letters = ref('')
watch(() => props.song.told, (now) => {
  told.value = { ...now } as Told
  bars.value = (now.phrases ?? []).join(', ')
  letters.value = (now.labels ?? []).join(' ')
}, { immediate: true })
function send(change: Partial<Told> = {}) {
  const phrases = (bars.value.match(/\d+/g) ?? []).map(Number)
  emit('tell', { ...told.value, phrases, labels: letters.value.match(/[a-z]'*/g) ?? [], ...change })
}
function undo() {
  bars.value = letters.value = ''
  emit('tell', { do: null, resting: null, beat: null, phrases: [], labels: [], repairs: {}, has: [], lacks: [], sung: null })
}
const name = (key: string) => props.concepts.find((one) => one.key === key)?.name ?? key
function tag(event: Event, as: 'has' | 'lacks') {
  const select = event.target as HTMLSelectElement
  const key = select.value
  select.value = ''
  if (!key) return
  const without = (list: string[] | undefined) => (list ?? []).filter((one) => one !== key)
  send({ has: without(told.value.has), lacks: without(told.value.lacks), [as]: [...without(told.value[as]), key] })
}
const untag = (key: string) => send({ has: (told.value.has ?? []).filter((one) => one !== key), lacks: (told.value.lacks ?? []).filter((one) => one !== key) })
const pick = (event: Event) => (event.target as HTMLSelectElement).value || null
</script>

<template>
  <details class="told" :open="said">
    <summary>{{ say('told-title') }}</summary>
    <p v-if="said" class="small quiet">{{ say('told-own') }}: {{ song.own.do ? say('song-do-is', { d: pitchName(song.own.do) }) : say('song-do-unknown') }}, {{ song.own.resting_tone ? say('song-rests', { tone: degreeName(song.own.resting_tone) }) : say('song-rests-not') }}, {{ song.own.form }}</p>
    <label>{{ say('told-do') }} <select :value="song.told.do ?? ''" :disabled="busy" @change="send({ do: pick($event) as Told['do'] })"><option value="">{{ say('told-computed') }}</option><option v-for="one in LETTERS" :key="one" :value="one">{{ pitchName(one) }}</option></select></label>
    <label>{{ say('told-sung') }} <select :value="song.told.sung ?? ''" :disabled="busy" @change="send({ sung: pick($event) as Told['sung'] })"><option value="">{{ say('told-printed') }}</option><option v-for="one in LETTERS" :key="one" :value="one">{{ pitchName(one) }}</option></select></label>
    <label>{{ say('told-resting') }} <select :value="song.told.resting ?? ''" :disabled="busy" @change="send({ resting: pick($event) as Told['resting'] })"><option value="">{{ say('told-computed') }}</option><option v-for="one in RESTING" :key="one" :value="one">{{ degreeName(one) }}</option></select></label>
    <label>{{ say('told-beat') }} <select :value="song.told.beat ?? ''" :disabled="busy" @change="send({ beat: pick($event) as Told['beat'] })"><option value="">{{ say('told-printed') }}</option><option v-for="one in choices('told-beats', ['1/2', '1', '3/2', '2', '3'])" :key="one.value" :value="one.value">{{ one.title }}</option></select></label>
    <label>{{ say('told-phrases') }} <input v-model="bars" inputmode="numeric" :placeholder="song.phrase_bars.slice(1).join(', ')" :disabled="busy" @change="send()" /></label>
    <label>{{ say('told-letters') }} <input v-model="letters" :placeholder="song.form" :disabled="busy" @change="send()" /></label>
    <label v-for="as in (['has', 'lacks'] as const)" :key="as">{{ sayOf('told', as) }} <select :disabled="busy" @change="tag($event, as)"><option value="">{{ say('told-choose') }}</option><option v-for="one in concepts" :key="one.key" :value="one.key">{{ one.name }}</option></select></label>
    <p v-if="tags.length" class="row"><button v-for="one in tags" :key="one.key" class="tag" :disabled="busy" :aria-label="say('told-untag', { name: name(one.key) })" @click="untag(one.key)">{{ one.has ? '+' : '−' }} {{ name(one.key) }} ×</button></p>
    <p v-if="Object.keys(song.told.repairs ?? {}).length" class="small">{{ say('told-mended', { bars: Object.keys(song.told.repairs ?? {}).join(', ') }) }}</p>
    <p v-if="refused" class="wrong small" role="alert">△ {{ refused }}</p>
    <v-btn size="small" :disabled="busy" @click="undo">{{ say('told-undo') }}</v-btn>
  </details>
</template>

<style scoped>
.told { display: grid; gap: 8px; }
summary { cursor: pointer; min-height: 32px; }
label { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 8px; align-items: center; padding: 3px 0; }
input, select { font: inherit; color: inherit; background: var(--sheet); border: 1px solid var(--granite); border-radius: 2px; padding: 4px 8px; min-height: 36px; min-width: 0; width: 100%; }
@media (max-width: 900px) { input, select, summary { min-height: 44px; } }
</style>
