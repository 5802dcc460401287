<script setup lang="ts">
// Games made from a song: sing only or all but some tones, tell the tonality, guess the song by its rhythm, line or words.
// Answers stay hidden until they are asked for: the class may be looking.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { useGuess, useMasked, useTrials } from '@/api/songs'
import { tones as sound } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { choices, say, sayOf } from '@/locales/say'
import { luckOf } from '@/locales/sayings'

const props = defineProps<{
  song: Schemas['SongRead']
  sections: readonly { id: string; name: string }[]
}>()
const emit = defineEmits<{ sound: [how: 'as_written' | 'parallel' | 'half'] }>()
const game = ref<'masked' | 'trials' | 'guess'>('masked')
const syllables = computed(() => [
  ...new Set(props.song.tone_set.map((one) => one.replace(/[,']/g, ''))),
])
const chosen = ref<string[]>([])
watch(
  () => props.song.id,
  () => {
    chosen.value = syllables.value.slice(0, 1)
  },
  { immediate: true },
)
const only = ref(false)
const masked = useMasked(
  () => props.song.id,
  chosen,
  only,
  () => game.value === 'masked',
)
const count = ref(5)
const half = ref(false)
const seed = ref(Date.now() % 100_000)
const trials = useTrials(
  () => props.song.id,
  () => (half.value ? Math.min(count.value, 6) : count.value),
  seed,
  half,
  () => game.value === 'trials',
)
const shown = ref<number[]>([])
watch(
  () => trials.data.value,
  () => {
    shown.value = []
  },
)
const section = ref('')
watch(
  () => props.sections,
  (now) => {
    section.value ||= now[0]?.id ?? ''
  },
  { immediate: true },
)
const by = ref<'rhythm' | 'contour' | 'words'>('rhythm')
const guess = useGuess(section, by, () => game.value === 'guess')
const told = ref<string[]>([])
watch(
  () => guess.data.value,
  () => {
    told.value = []
  },
)
const turn = (list: string[], one: string) =>
  list.includes(one) ? list.filter((other) => other !== one) : [...list, one]
const clueText = (clue: readonly string[]) =>
  by.value === 'words' ? clue.join(' … ') : clue.join('  ')
function hear(clue: readonly string[]) {
  let at = 0
  sound(
    clue.flatMap((one) => {
      const rest = one.startsWith('r')
      const [a = 1, b = 1] = one.replace('r', '').split('/').map(Number)
      const plan = { at, seconds: 0.08, midi: null }
      at += (a / b) * 0.6
      return rest ? [] : [plan]
    }),
  )
}
const answerName = (one: string) =>
  one === 'half'
    ? say('games-half')
    : sayOf(
        'song-tonality',
        one === 'as_written'
          ? props.song.tonality
          : props.song.tonality === 'major'
            ? 'minor'
            : 'major',
      )
</script>

<template>
  <section class="stack">
    <div class="row" role="group" :aria-label="say('games-title')">
      <v-btn
        v-for="one in choices('games-names', ['masked', 'trials', 'guess'] as const)"
        :key="one.value"
        size="small"
        :class="['pick', { on: game === one.value }]"
        :aria-pressed="game === one.value"
        @click="game = one.value"
      >
        {{ one.title }}
      </v-btn>
    </div>
    <template v-if="game === 'masked'">
      <div class="row">
        <v-btn
          v-for="one in syllables"
          :key="one"
          size="small"
          :class="['pick', { on: chosen.includes(one) }]"
          :aria-pressed="chosen.includes(one)"
          @click="chosen = turn(chosen, one)"
        >
          {{ degreeName(one) }}</v-btn><v-checkbox v-model="only" :label="say('games-only')" />
      </div>
      <p v-for="(line, index) in masked.data.value ?? []" :key="index" class="lyric">
        <span
          v-for="(one, n) in line"
          :key="n"
          :class="{ inside: !one.aloud }"
          :title="one.degree ? degreeName(one.degree) : ''"
          >{{ one.aloud ? one.text || degreeName(one.degree ?? '') : '▁▁'
          }}<template v-if="!one.joins">&nbsp;</template></span
        >
      </p>
    </template>
    <template v-else-if="game === 'trials'">
      <div class="row head">
        <v-select
          v-model="count"
          :label="say('games-count')"
          :items="half ? [3, 4, 5, 6] : [3, 4, 5, 6, 7, 8, 9]"
        /><v-checkbox v-model="half" :label="say('games-may-change')" /><v-btn
          size="small"
          @click="seed += 1"
          >{{ say('games-again') }}</v-btn
        >
      </div>
      <p v-if="trials.error.value" class="wrong small" role="alert">
        △ {{ trials.error.value.message }}
      </p>
      <template v-else-if="trials.data.value">
        <ol class="trials">
          <li v-for="(one, index) in trials.data.value.answers" :key="index">
            <strong>{{ index + 1 }}</strong><v-btn
              size="small"
              @click="emit('sound', one as 'as_written' | 'parallel' | 'half')"
              >{{ say('play-start') }}</v-btn
            ><v-btn size="small" class="pick" @click="shown = [...shown, index]">
              {{ shown.includes(index) ? answerName(one) : say('games-answer') }}
            </v-btn>
          </li>
        </ol>
        <p class="small quiet">
          {{
            luckOf(
              trials.data.value.luck,
              trials.data.value.least,
              trials.data.value.answers.length,
            )
          }}
        </p>
      </template>
    </template>
    <template v-else>
      <div class="row head">
        <v-select
          v-model="section"
          :label="say('games-whose')"
          :items="sections.map((one) => ({ value: one.id, title: one.name }))"
        /><v-select
          v-model="by"
          :label="say('games-by')"
          :items="choices('games-clues', ['rhythm', 'contour', 'words'])"
        />
      </div>
      <p v-if="guess.data.value && !guess.data.value.songs.length" class="quiet">
        {{ say('games-no-songs') }}
      </p>
      <ol class="guesses">
        <li v-for="(one, index) in guess.data.value?.songs ?? []" :key="one.song_id">
          <strong>{{ index + 1 }}</strong><span class="clue">{{ clueText(one.clue) }}</span
          ><v-btn v-if="by === 'rhythm'" size="small" @click="hear(one.clue)">{{
            say('games-clap')
          }}</v-btn
          ><v-btn size="small" class="pick" @click="told = turn(told, one.song_id)">
            {{ told.includes(one.song_id) ? one.title : say('games-answer') }}</v-btn
          ><span v-if="told.includes(one.song_id) && one.alike.length" class="small quiet">{{
            say('games-alike', { names: one.alike.join(', ') })
          }}</span>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.pick {
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 4px 12px;
  min-height: 36px;
  background: var(--sheet);
}
.pick.on {
  background: var(--dusk);
  color: var(--sheet);
  border-color: var(--dusk);
}
.head {
  gap: 8px 18px;
}
.lyric {
  font-size: 24px;
  line-height: 1.5;
}
.inside {
  color: var(--granite);
}
.trials {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
}
.trials li {
  display: flex;
  gap: 8px;
  align-items: center;
}
.guesses li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 5px 0;
}
.guesses .small {
  grid-column: 2 / -1;
}
.clue {
  font-weight: 600;
  white-space: pre-wrap;
}
@media (max-width: 900px) {
  .pick {
    min-height: 44px;
  }
}
</style>
