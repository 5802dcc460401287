<script setup lang="ts">
// Other ways to hear than one after the other: all at once, a game, the whole class; a child by its letters; who is missing; another
// concept. One line of keys, and below it the one that is open.
import { computed, nextTick, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { tell } from '@/api/outbox'
import { say, sayOf } from '@/locales/say'
import RollPick from './RollPick.vue'
import type { Answers, Given, Result } from './useQueue'

export type Mode = '' | 'all' | 'find' | 'away' | 'game' | 'class' | 'hands' | 'other'
const props = defineProps<{
  hearing: Schemas['HearingRead']
  waiting: readonly Schemas['PlaceRead'][]
  names: boolean
  section: string
  lesson: string
  part: string
  /** The concept that is heard now instead of the part’s own. */
  instead: string
  order: 'rota' | 'seats'
  size: number
  /** Marks that this part has under the concept that is heard now. */
  given: number
  /** The line of ways is open. */
  shown: boolean
}>()
const mode = defineModel<Mode>({ required: true })
const emit = defineEmits<{
  pick: [child: string]
  give: [result: Given, answers: Answers]
  all: [without: ReadonlySet<string>, couldCopy: boolean]
  ask: [concept: string]
  order: [order: 'rota' | 'seats']
  size: [size: number]
  help: []
  move: [concept: string]
}>()
const where = () => ({ section_id: props.section, lesson_id: props.lesson, part_id: props.part })
const can = computed(() => props.hearing.concept !== null)
const modes = computed(() => {
  const every: { mode: Mode; key: string; says: string; needs: boolean }[] = [
    { mode: 'away', key: 'm', says: say('more-away'), needs: false },
    { mode: 'find', key: 'c', says: say('more-find'), needs: true },
    { mode: 'all', key: 'a', says: say('more-all'), needs: true },
    { mode: 'game', key: 'g', says: say('more-game'), needs: true },
    { mode: 'class', key: 'j', says: say('more-class'), needs: true },
    { mode: 'hands', key: 'k', says: say('more-hands'), needs: false },
    { mode: 'other', key: 'e', says: say('more-other'), needs: false },
  ]
  return every.filter((one) => can.value || !one.needs)
})
const done = ref('')
const tapped = ref(new Set<string>())
watch(mode, async (now) => {
  tapped.value = new Set()
  done.value = ''
  letters.value = ''
  if (!now) return
  await nextTick()
  document.querySelector<HTMLElement>('.more input')?.focus()
})

// All at once.
const couldCopy = ref(false)
const there = computed(() => {
  const ids = new Set(props.waiting.map((one) => one.child_id))
  return props.hearing.roll.filter((one) => ids.has(one.child_id))
})
function toggle(child: string) {
  const next = new Set(tapped.value)
  if (!next.delete(child)) next.add(child)
  tapped.value = next
}
function takeAll() {
  emit('all', tapped.value, couldCopy.value)
  mode.value = ''
}

// Who is missing: told once, and taken back where somebody comes after all.
const told = ref(new Map<string, string>())
const away = computed(
  () =>
    new Set([
      ...props.hearing.roll
        .filter((one) => one.absence && told.value.get(one.child_id) !== 'here')
        .map((one) => one.child_id),
      ...[...told.value].filter(([, event]) => event !== 'here').map(([child]) => child),
    ]),
)
async function missing(child: string) {
  const at = { section_id: props.section, lesson_id: props.lesson }
  if (!away.value.has(child)) {
    const kept = await tell({ kind: 'absent', ...at, child_id: child })
    if (kept) told.value = new Map(told.value).set(child, kept[0] ?? '')
    return
  }
  const event =
    told.value.get(child) ?? props.hearing.roll.find((one) => one.child_id === child)?.absence
  if (event && (await tell({ kind: 'taken_back', ...at, target_id: event })))
    told.value = new Map(told.value).set(child, 'here')
}

// Any child by its first letters.
const letters = ref('')
const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
const found = computed(() =>
  letters.value.trim().length < 1
    ? []
    : props.waiting.filter((one) =>
        one.name.split(/\s+/).some((word) => plain(word).startsWith(plain(letters.value.trim()))),
      ),
)
watch(found, (list) => {
  const [only] = list
  if (only && list.length === 1 && letters.value.trim().length >= 2) choose(only.child_id)
})
function choose(child: string | undefined) {
  if (!child) return
  emit('pick', child)
  mode.value = ''
}

// A game of choosing.
const asked = ref(5)
const right = ref(5)
const games = computed(() => [
  ...new Set(Object.keys(props.hearing.games).map((game) => Number(game.split('/')[1]))),
])
const rights = computed(() => Array.from({ length: asked.value + 1 }, (_, n) => asked.value - n))
watch(asked, (most) => (right.value = Math.min(right.value, most)))
function takeGame() {
  if (shows.value)
    emit('give', shows.value, { choices: 2, asked: asked.value, right: right.value, in_a_row: 3 })
}
/** What this shows, with luck reckoned in. */
const shows = computed(() => props.hearing.games[`${right.value}/${asked.value}`])

// The whole class, and a show of hands.
const results: Result[] = ['secure', 'nearly', 'not_yet']
async function classDid(result: Result) {
  const { concept, way, help } = props.hearing
  if (!concept) return
  const kept = await tell({
    ...{ kind: 'class_marked' as const, ...where(), concept: concept.key, way, help, result },
  })
  if (kept) done.value = say('more-class-kept', { result: sayOf('more-results', result) })
}
const question = ref('')
const hands = ref<number | null>(null)
async function keepHands() {
  if (hands.value === null) return
  const of = props.hearing.roll.length - away.value.size
  const count = Math.max(0, Math.min(Number(hands.value), of))
  const kept = await tell({ kind: 'hands', ...where(), asked: question.value.trim(), count, of })
  if (kept) done.value = say('more-hands-kept', { n: count, of })
  hands.value = null
}
const others = computed(() =>
  props.hearing.others.map((one) => ({ value: one.key, title: one.name })),
)
const chosen = ref<string | null>(null)
</script>

<template>
  <div class="more">
    <div v-if="shown || mode" class="row ways" role="group" :aria-label="say('more-title')">
      <v-btn
        v-for="one in modes"
        :key="one.mode"
        height="44"
        size="small"
        :class="{ main: mode === one.mode }"
        :aria-expanded="mode === one.mode"
        @click="mode = mode === one.mode ? '' : one.mode"
        >{{ one.says
        }}<template v-if="one.mode === 'away' && away.size">&nbsp;{{ away.size }}</template>
        <span class="kbd">{{ one.key }}</span></v-btn
      >
      <template v-if="can">
        <v-btn height="44" size="small" @click="$emit('size', size === 4 ? 1 : size + 1)"
          >{{ say('more-size', { n: size }) }} <span class="kbd">u</span></v-btn
        ><v-btn height="44" size="small" @click="$emit('help')"
          >{{ say('more-help') }} <span class="kbd">i</span></v-btn
        ><v-btn
          v-if="hearing.seats.length"
          height="44"
          size="small"
          @click="$emit('order', order === 'rota' ? 'seats' : 'rota')"
          >{{ order === 'rota' ? say('more-by-seats') : say('more-by-rota') }}
          <span class="kbd">b</span></v-btn
        >
      </template>
    </div>
    <p v-if="done" class="small" role="status">✓ {{ done }}</p>
    <div v-if="mode === 'all'" class="stack open">
      <p>{{ say('more-all-how') }}</p>
      <RollPick
        :roll="there"
        :chosen="tapped"
        :names="names"
        :label="say('more-all')"
        :means="say('keys-not-yet')"
        @tap="toggle"
      />
      <div class="row">
        <v-checkbox v-model="couldCopy" :label="say('more-could-copy')" />
        <v-btn class="main" height="48" :disabled="!there.length" @click="takeAll">{{
          say('more-all-take', { n: there.length - tapped.size, not: tapped.size })
        }}</v-btn>
      </div>
    </div>
    <div v-else-if="mode === 'away'" class="stack open">
      <p>{{ say('more-away-how') }}</p>
      <RollPick
        :roll="hearing.roll"
        :chosen="away"
        :names="names"
        :label="say('more-away')"
        :means="say('keys-absent')"
        @tap="missing"
      />
    </div>
    <form
      v-else-if="mode === 'find'"
      class="row open"
      @submit.prevent="choose(found[0]?.child_id)"
      @keydown.esc="mode = ''"
    >
      <v-text-field
        v-model="letters"
        :label="say('more-find-how')"
        autocomplete="off"
        class="letters"
        :type="names ? 'text' : 'password'"
      />
      <template v-if="names">
        <v-btn
          v-for="one in found.slice(0, 5)"
          :key="one.child_id"
          height="44"
          @click="choose(one.child_id)"
          >{{ one.name }}</v-btn
        ></template
      ><span v-if="letters && !found.length" class="quiet">{{ say('more-find-nobody') }}</span>
    </form>
    <div v-else-if="mode === 'game'" class="stack open">
      <p>{{ say('more-game-how') }}</p>
      <div class="row">
        <v-select
          v-model="right"
          :items="rights"
          :label="say('more-game-right')"
          class="number"
        /><span>{{ say('more-game-of') }}</span
        ><v-select v-model="asked" :items="games" :label="say('more-game-asked')" class="number" />
        <v-btn class="main" height="48" :disabled="!waiting.length || !shows" @click="takeGame">{{
          say('more-game-take', { result: sayOf('more-results', shows ?? 'nearly') })
        }}</v-btn>
      </div>
    </div>
    <div v-else-if="mode === 'class'" class="row open">
      <span>{{ say('more-class-how') }}</span><v-btn
        v-for="one in results"
        :key="one"
        height="48"
        @click="classDid(one)"
        >{{ sayOf('more-results', one) }}</v-btn
      >
    </div>
    <form v-else-if="mode === 'hands'" class="row open" @submit.prevent="keepHands">
      <v-text-field
        v-model="question"
        :label="say('more-hands-asked')"
        maxlength="120"
        class="question"
      /><v-text-field
        v-model.number="hands"
        :label="say('more-hands-count')"
        type="number"
        min="0"
        :max="hearing.roll.length"
        class="number"
      /><v-btn type="submit" height="48" :disabled="hands === null">{{ say('more-keep') }}</v-btn>
      <span class="small quiet">{{ say('more-hands-how') }}</span>
    </form>
    <div v-else-if="mode === 'other'" class="row open">
      <v-autocomplete
        v-model="chosen"
        :items="others"
        :label="say('more-other-which')"
        class="question"
      />
      <v-btn
        class="main"
        height="48"
        :disabled="!chosen"
        @click="chosen && ($emit('ask', chosen), (mode = ''))"
        >{{ say('more-other-hear') }}</v-btn><v-btn
        v-if="given"
        height="48"
        :disabled="!chosen || chosen === hearing.concept?.key"
        @click="chosen && ($emit('move', chosen), (mode = ''))"
        >{{ say('more-other-move', { n: given }) }}</v-btn
      ><v-btn v-if="instead" height="48" @click="($emit('ask', ''), (mode = ''))">{{
        say('more-other-back')
      }}</v-btn>
    </div>
  </div>
</template>

<style scoped>
.more {
  display: grid;
  gap: 8px;
}
.ways {
  gap: 6px;
}
.open {
  gap: 10px;
  border-left: 4px solid var(--dusk);
  padding: 4px 0 4px 12px;
}
.letters {
  max-width: 260px;
}
.number {
  max-width: 120px;
}
.question {
  min-width: 240px;
  max-width: 380px;
}
</style>
