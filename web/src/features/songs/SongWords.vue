<script setup lang="ts">
// Native: a tone is a cell of the picture.
// Which words are sung on which tone, verse by verse: the syllable stands out in its word, what is held over several tones says so.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import OnBeat from '@/features/songs/OnBeat.vue'
import { degreeName } from '@/composables/useWording'
import { say } from '@/locales/say'

const props = defineProps<{
  insight: Schemas['InsightRead']
  toneSet: readonly string[]
  chosen: string | null
}>()
const emit = defineEmits<{ choose: [degree: string] }>()
const verse = ref(1)
const sum = computed(() => props.insight.verses.find((one) => one.verse === verse.value))
const rows = computed(() =>
  [...props.toneSet].reverse().map((tone) => ({
    tone,
    said: props.insight.sung_syllables.filter(
      (one) => one.verse === verse.value && one.tones[0] === tone,
    ),
  })),
)
const rest = (tones: readonly string[]) => tones.map((one) => degreeName(one)).join(' ')
</script>

<template>
  <p v-if="!insight.verses.length" class="quiet">{{ say('insight-wordless') }}</p>
  <section v-else class="stack">
    <div class="row">
      <h2>{{ say('insight-on-tones') }}</h2>
      <span
        v-if="insight.verses.length > 1"
        class="row"
        role="group"
        :aria-label="say('insight-on-tones')"
        ><v-btn
          v-for="one in insight.verses"
          :key="one.verse"
          size="small"
          :class="{ on: one.verse === verse }"
          :aria-pressed="one.verse === verse"
          @click="verse = one.verse"
        >
          {{ say('insight-verse', { n: one.verse }) }}
        </v-btn></span
      >
    </div>
    <p class="small quiet" role="status">{{ sum?.sentence }}</p>
    <OnBeat v-if="insight.on_beat" :found="insight.on_beat" />
    <ul class="words">
      <li v-for="row in rows" :key="row.tone" :class="{ chosen: row.tone === chosen }">
        <button class="tone" :aria-pressed="row.tone === chosen" @click="emit('choose', row.tone)">
          {{ degreeName(row.tone) }}
        </button>
        <span class="said"
          ><span v-for="one in row.said" :key="one.note" class="word"
            >{{ one.before }}<strong>{{ one.text }}</strong
            >{{ one.after
            }}<span v-if="one.tones.length > 1" class="small new held">{{
              say('insight-held', { tones: rest(one.tones) })
            }}</span></span
          ><span v-if="!row.said.length" class="quiet">–</span></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.words li {
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 14px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
.tone {
  border: 1px solid var(--granite);
  border-radius: 2px;
  min-height: 34px;
  padding: 2px 10px;
  background: var(--sheet);
  font-weight: 650;
  font-size: 18px;
  text-align: left;
}
.chosen .tone {
  outline: 3px solid var(--aloe);
  outline-offset: 1px;
}
.held {
  margin-left: 6px;
}
.said {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  color: var(--granite);
}
strong {
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.row button {
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 2px 10px;
  min-height: 32px;
  background: var(--sheet);
  font-size: 14px;
}
.row button.on {
  background: var(--dusk);
  color: var(--sheet);
  border-color: var(--dusk);
}
@media (max-width: 900px) {
  .tone,
  .row button {
    min-height: 44px;
  }
}
</style>
