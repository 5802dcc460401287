<script setup lang="ts">
// A round of questions with this class: one key hears and goes on, numbers answer; at the end how it went beside the last and the best.
import { computed, ref, watch } from 'vue'
import {
  countRound,
  printedRound,
  readAgain,
  type RoundKind,
  type RoundWish,
  type Standings,
} from '@/api/practice'
import { useSongsNamed } from '@/api/queries'
import { device } from '@/composables/useDevice'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import { say, sayOf } from '@/locales/say'
import RoundFace from './RoundFace.vue'
import TakeRound from './TakeRound.vue'
import { useRound } from './useRound'

const props = defineProps<{
  section: string
  today: string
  kind: RoundKind
  standings: Standings | undefined
  told: readonly string[]
}>()
const { refused, busy, keep } = useKeep()
const played = useRound(
  () => props.section,
  () => props.today,
)
const { round, over, right, seconds, face, answered, sounds } = played
const lines = ref<1 | 2 | 3 | 5>(5)
const clef = ref<'G' | 'F'>('G')
const count = ref(10)
const named = ref('')
const found = useSongsNamed(named)
const song = ref<string | null>(null)
const first = ref(0)
const counted = ref(false)
const ofPlaces = computed(() => ['place', 'find', 'lie'].includes(props.kind))
watch(
  () => [props.section, props.kind],
  () => {
    played.leave()
    first.value = 0
    song.value = null
  },
)
const wish = (): RoundWish => ({
  ...{ kind: props.kind, count: count.value, lines: lines.value, clef: clef.value },
  ...{ song_id: song.value, first: first.value, seed: Date.now() % 2_000_000_000 },
})
async function begin() {
  if (busy.value) return
  counted.value = false
  await keep(() => played.begin(wish()))
  if (round.value?.song_id) song.value = round.value.song_id
}
/** Along a song one goes on where one was. */
function again() {
  if (props.kind === 'along') first.value += round.value?.questions.length ?? 0
  void begin()
}
async function on() {
  if (!round.value || over.value) return begin()
  if (await played.on()) await readAgain()
}
async function countIt() {
  if (!round.value || !props.standings?.concept || counted.value) return
  const kept = await countRound(
    ...([props.section, props.today, round.value, right.value, props.standings] as const),
  )
  counted.value = kept !== false
  await readAgain()
}
const printable = computed(() => ofPlaces.value || props.kind === 'letter')
const print = () =>
  keep(async () => {
    const pdf = await printedRound(props.section, wish(), device.paper)
    window.open(URL.createObjectURL(pdf))
  })
function openStation() {
  const { kind, count: of, lines: so, clef: at, song_id } = wish()
  const asked = new URLSearchParams({
    ...{ kind, count: String(of), lines: String(so), clef: at ?? 'G' },
    ...(song_id ? { song: song_id } : {}),
  })
  window.open(`/sections/${props.section}/station?${asked.toString()}`, 'kopje-station')
}
const result = computed(() => round.value?.results[right.value])
useKeys([
  { key: ' ', says: say('round-key-on'), act: () => void on() },
  { key: 'a', says: say('round-hear'), act: played.hear },
  { key: 'c', says: say('round-clue'), act: () => void played.clue() },
  ...[1, 2, 3, 4].map((n) => ({
    key: String(n),
    says: n === 1 ? say('round-key-answer') : '',
    act: () => played.answer(n - 1),
  })),
])
defineExpose({ face })
</script>

<template>
  <div class="page">
    <slot />
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <section class="sheet">
      <header class="row spread">
        <h2>{{ sayOf('round-kind', kind) }}</h2>
        <span v-if="face" class="quiet"
          >{{ round?.song_title ? `${round.song_title} · ` : ''
          }}{{ say('round-of', { n: face.n, of: face.of, right }) }}</span
        >
      </header>
      <RoundFace v-if="face" :on="face" @answer="played.answer" />
      <div v-else-if="round && over" class="end" role="status">
        <p class="score">
          {{ say('round-score', { right, of: round.questions.length, seconds }) }}
        </p>
        <p v-if="round.least_right">
          {{ say('round-luck', { least: round.least_right, of: round.questions.length }) }}
        </p>
        <p v-if="standings?.best">
          {{
            say('round-best', {
              ...{ right: standings.best.right, of: standings.best.asked },
              seconds: standings.best.seconds,
            })
          }}
        </p>
        <div class="row">
          <v-btn class="main" :disabled="busy" @click="again()"
            >{{ say('round-again') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
          >
          <v-btn v-if="standings?.concept" :disabled="counted" @click="countIt()"
            >{{ counted ? '✓ ' : ''
            }}{{
              say('round-count', {
                concept: standings.concept_name,
                result: sayOf('more-results', result ?? 'not_yet'),
              })
            }}</v-btn
          >
        </div>
        <p class="small quiet">{{ say('round-practice') }}</p>
      </div>
      <div v-else class="end">
        <p class="lead">{{ sayOf('round-lead', kind) }}</p>
        <div class="row options">
          <v-select
            v-if="ofPlaces"
            v-model="lines"
            :label="say('round-lines')"
            :items="[1, 2, 3, 5]"
          />
          <v-select
            v-if="kind === 'letter'"
            v-model="clef"
            :label="say('round-clef')"
            :items="[
              { value: 'G', title: say('round-clef-g') },
              { value: 'F', title: say('round-clef-f') },
            ]"
          />
          <v-autocomplete
            v-if="kind === 'along'"
            v-model="song"
            :label="say('round-song')"
            :items="
              (found.data.value?.songs ?? []).map((one) => ({ value: one.id, title: one.title }))
            "
            clearable
            no-filter
            @update:search="named = $event"
          />
          <v-select v-model="count" :label="say('round-count-of')" :items="[5, 10, 15, 20]" />
        </div>
        <v-btn class="main" size="large" :disabled="busy" @click="begin()"
          >{{ say('round-begin') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
        >
        <p v-if="standings?.last" class="small quiet">
          {{
            say('round-last', {
              ...{ right: standings.last.right, of: standings.last.asked },
              ...{ seconds: standings.last.seconds, times: standings.times },
            })
          }}
        </p>
      </div>
    </section>
    <div v-if="face" class="row">
      <v-btn v-if="sounds && answered === null" class="main" @click="on()"
        >♪ {{ say('round-hear') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <v-btn v-if="answered !== null" class="main" @click="on()"
        >{{ say(face.n === face.of ? 'round-end' : 'round-next') }}
        <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <v-btn v-if="answered !== null && face.question.after.length" @click="played.hear()"
        >♪ {{ say('round-hear-after') }} <span class="kbd">a</span></v-btn
      >
      <v-btn v-if="face.question.clues.length > face.clues" @click="played.clue()"
        >{{ say('round-clue') }} <span class="kbd">c</span></v-btn
      >
      <span class="small quiet">{{ say('round-how') }}</span>
    </div>
    <div class="row">
      <v-btn v-if="printable" size="small" :disabled="busy" @click="print()">{{
        say('practice-paper')
      }}</v-btn>
      <v-btn size="small" @click="openStation()">{{ say('round-station-open') }}</v-btn>
      <span class="small quiet">{{ say('round-station-why') }}</span>
    </div>
    <TakeRound
      v-if="standings?.last?.station && standings.concept"
      :section="section"
      :today="today"
      :standings="standings"
    />
    <p v-for="one in told" :key="one" class="small quiet told">{{ one }}</p>
  </div>
</template>

<style scoped>
.page {
  flex: 1;
  min-width: 0;
  gap: 10px;
}
.sheet {
  background: var(--sheet);
  border: 1px solid var(--line);
  padding: 10px 16px 18px;
}
.end {
  min-height: 320px;
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: center;
  justify-content: center;
  text-align: center;
}
.score {
  font-size: 28px;
  margin: 0;
}
.lead {
  font-size: 20px;
  max-width: 60ch;
  margin: 0;
}
.options {
  width: 100%;
  max-width: 460px;
}
.told {
  margin: 0;
}
p {
  margin: 0;
}
</style>
