<script setup lang="ts">
// Layers that are played together: laid as boxes, asked whether they fit, heard, kept.
import { computed, onMounted, ref, watch } from 'vue'
import {
  dropTexture,
  keepTexture,
  type Kept,
  type Layer,
  lookAt,
  type Looked,
  type Texture,
  useTextures,
} from '@/api/instruments'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import { offerUndo } from '@/composables/useUndo'
import { say } from '@/locales/say'
import LayerRow from './LayerRow.vue'
import LayerSum from './LayerSum.vue'
import TempoSlider from './TempoSlider.vue'
import { useRounds } from './useRounds'
import WordsToRhythm from './WordsToRhythm.vue'

defineProps<{ section: string }>()
const MOST = 8
const METERS = ['2/4', '3/4', '4/4', '6/8']
const texture = ref<Texture>({ meter: '4/4', phrase_bars: 2, layers: [] })
const name = ref('')
const looked = ref<Looked | null>(null)
const hands = ref(new Set<string>())
const kept = useTextures()
const { refused, busy, keep } = useKeep()
const rounds = useRounds()
const layers = computed(() => texture.value.layers)
const bar = computed(() => {
  const [upper = 4] = texture.value.meter.split('/').map(Number)
  return texture.value.meter.endsWith('/8') ? upper / 3 : upper
})
const phrase = computed(() => bar.value * texture.value.phrase_bars)
watch(
  texture,
  async (now) => {
    if (!now.layers.length) {
      looked.value = null
      return
    }
    await keep(async () => {
      const found = await lookAt(now)
      if (texture.value === now) looked.value = found
    })
  },
  { immediate: true },
)
const set = (changed: Partial<Texture>) => (texture.value = { ...texture.value, ...changed })
/** A name that no other layer has. */
function own(wanted: string, beside: readonly Layer[]): string {
  const taken = new Set(beside.map((one) => one.name))
  let found = wanted
  for (let n = 2; taken.has(found); n += 1) found = `${wanted} ${n}`
  return found
}
const others = (at: number) => layers.value.filter((_, n) => n !== at)
function change(at: number, to: Layer) {
  const named = { ...to, name: own(to.name, others(at)) }
  set({ layers: layers.value.map((one, n) => (n === at ? named : one)) })
}
const add = (layer: Layer) =>
  set({ layers: [...layers.value, { ...layer, name: own(layer.name, layers.value) }] })
const blank = () =>
  add({
    ...{ name: say('layer-new'), family: 'skin', strokes: [], enters_bar: 1, words: [] },
    rhythm: Array.from({ length: bar.value }, () => '1'),
  })
function drop(at: number) {
  const before = texture.value
  set({ layers: others(at) })
  offerUndo(say('layer-dropped'), async () => void (texture.value = await Promise.resolve(before)))
}
/** Each layer a phrase after the one before, in the order that is proposed. */
function enter() {
  const order = looked.value?.entry_order ?? []
  set({
    layers: layers.value.map((one) => ({
      ...one,
      enters_bar: 1 + order.indexOf(one.name) * texture.value.phrase_bars,
    })),
  })
}
const open = (one: Kept) => {
  rounds.stop()
  name.value = one.name
  texture.value = one.texture
}
onMounted(() => !layers.value.length && blank())
const played = () => layers.value.map((layer) => ({ layer, silent: hands.value.has(layer.name) }))
const play = () =>
  rounds.playing.value ? rounds.stop() : layers.value.length && rounds.start(played, bar.value)
function toggle(layer: string) {
  const now = new Set(hands.value)
  if (!now.delete(layer)) now.add(layer)
  hands.value = now
}
const keepIt = () => keep(() => keepTexture(name.value.trim(), texture.value))
async function forget(one: Kept) {
  if (await keep(() => dropTexture(one.id)))
    offerUndo(say('layers-dropped', { name: one.name }), () => keepTexture(one.name, one.texture))
}
useKeys([{ key: ' ', says: say('layers-key-play'), act: play }])
const nowIn = computed(() =>
  rounds.playing.value && rounds.beat.value >= 0 ? rounds.beat.value % phrase.value : -1,
)
</script>

<template>
  <div class="shelf">
    <div class="work">
      <div class="row head">
        <v-select
          class="short"
          :model-value="texture.meter"
          :label="say('layers-meter')"
          :items="METERS"
          @update:model-value="set({ meter: $event })"
        />
        <v-select
          class="short"
          :model-value="texture.phrase_bars"
          :label="say('layers-phrase')"
          :items="[1, 2, 4, 8].map((n) => ({ value: n, title: say('layers-bars', { n }) }))"
          @update:model-value="set({ phrase_bars: $event })"
        />
        <TempoSlider v-model="rounds.tempo.value" />
        <v-btn class="main" :disabled="!layers.length" @click="play()"
          >{{ rounds.playing.value ? say('layers-stop') : `♪ ${say('layers-play')}` }}
          <span class="kbd">{{ say('keys-space') }}</span></v-btn
        >
        <span v-if="rounds.playing.value" class="small" role="status">{{
          rounds.beat.value < 0
            ? say('layers-count-in')
            : say('layers-bar', { n: Math.floor(rounds.beat.value / bar) + 1 })
        }}</span>
      </div>
      <LayerRow
        v-for="(layer, n) in layers"
        :key="n"
        :layer="layer"
        :bar="bar"
        :phrase="phrase"
        :fits="looked?.layers.find((one) => one.name === layer.name)?.fits ?? true"
        :silent="hands.has(layer.name)"
        :now="nowIn"
        @change="change(n, $event)"
        @drop="drop(n)"
        @hands="toggle(layer.name)"
      />
      <LayerSum v-if="looked" :looked="looked" :bar="bar" :phrase="phrase" />
      <div class="row">
        <v-btn :disabled="layers.length >= MOST" @click="blank()">{{ say('layers-add') }}</v-btn>
        <span class="small quiet">{{ say('layers-or-words') }}</span>
      </div>
      <WordsToRhythm
        :section="section"
        :meter="texture.meter"
        :full="layers.length >= MOST"
        @take="add"
      />
    </div>
    <aside class="told" :aria-label="say('layers-told')">
      <h2>{{ say('layers-told') }}</h2>
      <p v-if="refused" class="refused" role="alert">△ {{ refused }}</p>
      <ul v-if="looked" class="reasons">
        <li v-for="one in looked.reasons" :key="one.sentence" :class="one.weight">
          <span aria-hidden="true">{{
            { for: '✓', against: '△', bars: '✗', note: '·' }[one.weight]
          }}</span><span>{{ one.sentence }}</span>
        </li>
      </ul>
      <v-btn v-if="(looked?.layers.length ?? 0) > 1" size="small" @click="enter()">{{
        say('layers-enter')
      }}</v-btn>
      <h2>{{ say('layers-kept') }}</h2>
      <form class="row" @submit.prevent="keepIt()">
        <v-text-field v-model="name" :label="say('layers-name')" maxlength="80" />
        <v-btn type="submit" :disabled="!name.trim() || !layers.length || busy">{{
          say('layers-keep')
        }}</v-btn>
      </form>
      <ul class="kept">
        <li v-for="one in kept.data.value ?? []" :key="one.id" class="row">
          <v-btn class="open" @click="open(one)"
            >{{ one.name }}
            <span class="small quiet">{{
              say('layers-of', { n: one.texture.layers.length })
            }}</span></v-btn
          ><v-btn
            size="small"
            :aria-label="say('layers-drop', { name: one.name })"
            @click="forget(one)"
            ><span aria-hidden="true">✗</span></v-btn
          >
        </li>
      </ul>
      <p class="small quiet care">{{ say('layers-care') }}</p>
    </aside>
  </div>
</template>

<style scoped>
.shelf {
  display: flex;
  gap: 22px;
  min-height: 0;
}
.work {
  flex: 1;
  min-width: 0;
}
.head {
  gap: 12px;
  padding-bottom: 10px;
}
.short {
  flex: 0 0 118px;
}
.told {
  flex: 0 0 300px;
}
.told h2 {
  font-size: 16px;
  margin: 14px 0 6px;
}
.told h2:first-child {
  margin-top: 0;
}
.reasons,
.kept {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
  display: grid;
  gap: 6px;
}
.reasons li {
  display: flex;
  gap: 8px;
}
.against,
.refused {
  color: var(--aloe);
}
.for {
  color: var(--lichen);
}
.open {
  flex: 1;
  justify-content: flex-start;
}
@media (max-width: 1000px) {
  .shelf {
    flex-direction: column;
  }
  .told {
    flex: none;
  }
}
</style>
