<script setup lang="ts">
// Native: tones that are text and sound when pressed.
// A song phrase by phrase: its line at the levels of the body, its tones without repeats, how it differs from the one it is like.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import BodyLine from '@/components/BodyLine.vue'
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import { say, sayOf } from '@/locales/say'
import { barRange, moves, phrasesHeard, someBars } from '@/locales/sayings'

const props = defineProps<{
  song: Schemas['SongRead']
  insight: Schemas['InsightRead']
  busy: boolean
}>()
const emit = defineEmits<{ take: [bars: number[]] }>()
const heard = computed(() => props.insight.heard_bars.slice(1))
const sameAsHeard = computed(() => props.song.phrase_bars.slice(1).join() === heard.value.join())
const strong = ref(false)
const pitches = computed(
  () =>
    new Map(
      props.song.sounds.flatMap((one) =>
        one.degree && one.midi !== null ? [[one.degree, one.midi] as const] : [],
      ),
    ),
)
const hear = (tones: readonly string[]) =>
  play(
    tones.flatMap((tone) => pitches.value.get(tone) ?? []),
    0.5,
  )
const names = (tones: readonly string[]) => tones.map((tone) => degreeName(tone)).join(' ')
const lineOf = (index: number) => props.song.sounds.filter((one) => one.phrase === index)
const range = computed(() => {
  const all = props.song.sounds.flatMap((one) => one.midi ?? [])
  return { low: Math.min(...all), high: Math.max(...all) }
})
const elsewhere = (one: Schemas['PhraseRead']) =>
  (one.do !== props.song.do || one.tonality !== props.song.tonality) &&
  one.tonality !== 'not_established'
</script>

<template>
  <div class="phrases">
    <section class="stack">
      <div class="row spread">
        <h2>{{ say('insight-phrases') }}</h2>
        <v-checkbox v-model="strong" :label="say('insight-strong')" />
      </div>
      <p class="small quiet">
        {{ sayOf('insight-phrases-from', insight.phrases_from) }}
        <template v-if="!sameAsHeard && heard.length"
          >{{ phrasesHeard(heard) }}
          <v-btn
            v-if="insight.phrases_from !== 'told'"
            size="small"
            class="take"
            :disabled="busy"
            @click="emit('take', heard)"
          >
            {{ say('insight-take-heard') }}
          </v-btn></template
        >
      </p>
      <ol>
        <li v-for="(one, index) in insight.phrases" :key="index">
          <strong class="letter">{{ one.label }}</strong>
          <BodyLine
            :sounds="lineOf(index)"
            :low="range.low"
            :high="range.high"
            :label="say('insight-line', { label: one.label })"
          />
          <span class="text"
            ><button
              class="tones"
              :title="say('insight-hear')"
              @click="hear(strong ? one.strong : one.skeleton)"
            >
              {{ names(strong ? one.strong : one.skeleton) }}
            </button>
            <span class="small quiet"
              >{{ barRange(one.first_bar, one.last_bar) }} · {{ moves(one.motion)
              }}<template v-if="one.relation"> · {{ one.relation }}</template
              ><template v-if="elsewhere(one)">
                ·
                {{
                  say('insight-elsewhere', {
                    doIs: pitchName(one.do ?? ''),
                    tonality: sayOf('song-tonality', one.tonality),
                  })
                }}</template
              ></span
            ></span
          >
        </li>
      </ol>
    </section>
    <section v-if="insight.turns.length" class="stack">
      <h2>{{ say('insight-turns') }}</h2>
      <ul>
        <li v-for="one in insight.turns" :key="one.tones.join()" class="turn">
          <button class="tones" :title="say('insight-hear')" @click="hear(one.tones)">
            {{ names(one.tones) }}</button><span class="narrow">{{
            say('song-times', { n: one.bars.length })
          }}</span
          ><span class="small quiet">{{ someBars([...new Set(one.bars)]) }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.phrases {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 32px;
  align-items: start;
}
ol li {
  display: grid;
  grid-template-columns: 34px 132px minmax(0, 1fr);
  gap: 14px;
  border-top: 1px solid var(--line);
  padding: 6px 0;
  align-items: center;
}
.letter {
  font-size: 20px;
}
.text {
  display: grid;
  gap: 2px;
}
.tones {
  font-weight: 600;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 4px;
  min-height: 28px;
}
.take {
  text-decoration: underline;
  min-height: 32px;
  color: var(--dusk);
  font-weight: 600;
}
.turn {
  display: grid;
  grid-template-columns: 1fr 36px 76px;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding: 3px 0;
  align-items: baseline;
}
@media (max-width: 1100px) {
  .phrases {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 900px) {
  .tones {
    min-height: 44px;
  }
}
</style>
