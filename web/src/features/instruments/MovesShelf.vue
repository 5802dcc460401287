<script setup lang="ts">
// A song as a dance: its form as it is sung, a move for each part; it runs along at a tempo; what the room needs.
import { computed, onUnmounted, ref, watch } from 'vue'
import { type Danced, useMoves } from '@/api/instruments'
import ChoiceRow from '@/components/ChoiceRow.vue'
import { useKeys } from '@/composables/useKeys'
import { choices, say } from '@/locales/say'
import SongPick from './SongPick.vue'
import TempoSlider from './TempoSlider.vue'

const song = ref('')
const danced = ref<Danced>({
  formation: 'ring',
  children: 24,
  prop: '',
  touch: false,
  own: true,
})
const read = useMoves(song, danced)
const found = computed(() => read.data.value)
const FORMATIONS = ['ring', 'lines', 'partners', 'free', 'chairs'] as const
const set = (changed: Partial<Danced>) => (danced.value = { ...danced.value, ...changed })
const tempo = ref(92)
const COUNT_IN = 4
const beat = ref<number | null>(null)
const ends = computed(() => found.value?.parts.reduce((sum, one) => sum + one.beats, 0) ?? 0)
const at = computed(() => {
  const now = beat.value
  if (now === null) return -1
  return (found.value?.parts ?? []).findIndex(
    (one) => now >= one.begins && now < one.begins + one.beats,
  )
})
let timer = 0
let from = 0
function stop() {
  window.clearInterval(timer)
  beat.value = null
}
function run() {
  if (beat.value !== null) return stop()
  if (!ends.value) return
  from = performance.now()
  beat.value = -COUNT_IN
  timer = window.setInterval(() => {
    beat.value = Math.floor(((performance.now() - from) / 60_000) * tempo.value) - COUNT_IN
    if (beat.value >= ends.value) stop()
  }, 50)
}
onUnmounted(stop)
watch([song, danced, tempo], stop)
useKeys([{ key: ' ', says: say('moves-key-run'), act: run }])
const ARROWS = { in: '↑', out: '↓', left: '↺', right: '↻' } as const
</script>

<template>
  <div class="shelf">
    <div class="work">
      <div class="row head">
        <SongPick v-model="song" class="pick" />
        <ChoiceRow
          :model-value="danced.formation"
          :label="say('moves-formation')"
          :items="choices('moves-formation', FORMATIONS)"
          @update:model-value="set({ formation: $event })"
        />
      </div>
      <p v-if="read.error.value" class="wrong" role="alert">△ {{ read.error.value.message }}</p>
      <template v-if="found">
        <div class="row head">
          <v-btn class="main" @click="run"
            >{{ say(beat === null ? 'moves-run' : 'moves-stop') }}
            <span class="kbd">{{ say('keys-space') }}</span></v-btn
          >
          <TempoSlider v-model="tempo" />
          <span v-if="beat !== null && beat < 0" role="status">{{ say('layers-count-in') }}</span>
        </div>
        <ol class="map">
          <li
            v-for="(part, n) in found.parts"
            :key="n"
            :class="{ now: n === at, own: part.own }"
            :aria-current="n === at ? 'step' : undefined"
          >
            <span class="letter">{{ part.label }}</span>
            <span class="way" aria-hidden="true">{{
              part.travel ? ARROWS[part.travel] : '•'
            }}</span>
            <span class="move"
              ><strong>{{ part.says }}</strong
              ><span class="quiet">“{{ part.cue }} …”</span
              ><span v-if="part.seated" class="quiet small">{{
                say('moves-seated', { move: part.seated })
              }}</span></span
            >
            <span class="quiet small">{{
              say('moves-bars', { first: part.first_bar, last: part.last_bar, beats: part.beats })
            }}</span>
          </li>
        </ol>
      </template>
    </div>
    <aside class="told" :aria-label="say('moves-needs')">
      <h2>{{ say('moves-needs') }}</h2>
      <v-text-field
        :model-value="danced.children"
        type="number"
        min="2"
        max="60"
        :label="say('moves-children')"
        @change="
          set({
            children: Math.min(60, Math.max(2, Math.round(Number($event.target.value)) || 24)),
          })
        "
      />
      <v-select
        :model-value="danced.prop"
        :label="say('moves-prop')"
        :items="[
          { value: '', title: say('moves-prop-none') },
          ...choices('moves-prop', ['scarf', 'elastic', 'hoop']),
        ]"
        @update:model-value="set({ prop: $event })"
      />
      <v-checkbox
        :model-value="danced.touch"
        :label="say('moves-touch')"
        @update:model-value="set({ touch: !!$event })"
      />
      <v-checkbox
        :model-value="danced.own"
        :label="say('moves-own')"
        @update:model-value="set({ own: !!$event })"
      />
      <ul v-if="found" class="reasons">
        <li v-for="one in found.needs" :key="one">{{ one }}</li>
      </ul>
      <h2>{{ say('moves-care') }}</h2>
      <ul v-if="found" class="reasons">
        <li v-for="one in found.care" :key="one">{{ one }}</li>
      </ul>
    </aside>
  </div>
</template>

<style scoped>
.shelf {
  display: flex;
  gap: 22px;
}
.work {
  flex: 1;
  min-width: 0;
}
.head {
  gap: 12px;
  padding-bottom: 12px;
  flex-wrap: wrap;
}
.pick {
  flex: 0 1 300px;
}
.map {
  list-style: none;
  margin: 0;
  padding: 0;
}
.map li {
  display: grid;
  grid-template-columns: 40px 40px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 8px 12px;
  border: 1px solid var(--line);
  border-left: 6px solid var(--line);
  margin-bottom: 4px;
  background: var(--sheet);
}
.map .now {
  border-left-color: var(--dusk);
  outline: 2px solid var(--dusk);
  font-size: 22px;
}
.map .own {
  border-style: dashed;
}
.letter {
  font-size: 24px;
  font-weight: 600;
}
.way {
  font-size: 26px;
  text-align: center;
}
.move {
  display: grid;
}
.told {
  flex: 0 0 300px;
  display: grid;
  gap: 8px;
  align-content: start;
}
.told h2 {
  font-size: 16px;
  margin: 14px 0 6px;
}
.told h2:first-child {
  margin-top: 0;
}
.reasons {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
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
