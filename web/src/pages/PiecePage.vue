<script setup lang="ts">
// One recorded piece: hear it, and tap its parts and changes once while listening; then what is known of it.
import { mdiPlay, mdiStop } from '@mdi/js'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useConcepts } from '@/api/queries'
import {
  keepRecording,
  tonesOf,
  putBackRecording,
  takeOffRecording,
  useRecording,
} from '@/api/recordings'
import type { Schemas } from '@/api/client'
import FileField from '@/components/FileField.vue'
import FormLine from '@/components/FormLine.vue'
import PageState from '@/components/PageState.vue'
import { useKeys } from '@/composables/useKeys'
import { useTrail } from '@/composables/useTrail'
import { offerUndo } from '@/composables/useUndo'
import { useBegun } from '@/api/drafts'
import { useUnsaved } from '@/composables/useUnsaved'
import { runTime } from '@/composables/words'
import MarkList from '@/features/pieces/MarkList.vue'
import PieceAbout from '@/features/pieces/PieceAbout.vue'
import { inOrder, lettersOf, nudged, sectionsOf, type Tapped } from '@/features/pieces/tapping'
import { usePlayer } from '@/composables/usePlayer'
import { changesIn } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ id: string }>()
const fresh = computed(() => props.id === 'new')
const found = useRecording(() => (fresh.value ? '' : props.id))
const concepts = useConcepts()
const router = useRouter()
type Body = Schemas['RecordingBody']
const empty = (): Body => ({
  title: '',
  length: 0,
  style: '',
  rights: '',
  place: '',
  question: '',
  feel: 'free',
  marks: [],
  tags: [],
})
const piece = ref<Body>(empty())
const marks = ref<Tapped[]>([])
const dirty = ref(false)
useUnsaved(dirty)
const said = ref('')
const refused = ref('')
useTrail(() => [
  { says: say('songs-title'), to: '/songs' },
  { says: say('pieces-title'), to: '/pieces' },
  { says: piece.value.title || say('pieces-add') },
])
function anew() {
  const read = found.data.value
  if (!read || dirty.value) return
  const { title, length, style, rights, place, question, feel, tags } = read
  piece.value = { title, length, style, rights, place, question, feel, marks: [], tags }
  marks.value = read.marks.map(({ at, section, change }) => ({ at, section, change }))
}
useBegun(() => `/recordings/${props.id}`, dirty, anew)
watch(() => found.data.value, anew, { immediate: true })
const own = computed(() => found.data.value?.own ?? false)
const player = usePlayer(
  () => (own.value ? () => tonesOf(props.id) : null),
  () => piece.value.length,
)
const letters = computed(() => lettersOf(marks.value))
const changes = [
  'louder',
  'softer',
  'faster',
  'slower',
  'other_instrument',
  'other_mood',
  'stop',
] as const
const sections = computed(() => sectionsOf(marks.value, piece.value.length || player.now.value))

function changed() {
  dirty.value = true
  said.value = ''
}
function tap(section: string, change = '') {
  marks.value = inOrder([...marks.value, { at: Math.round(player.now.value), section, change }])
  changed()
}
const replace = (mark: Tapped, by: Tapped[]) => {
  marks.value = inOrder(marks.value.flatMap((one) => (one === mark ? by : [one])))
  changed()
}
function turn() {
  if (player.playing.value) player.stop()
  else void player.start()
}
/** The clock beside a disc: what it says when the music is over is the length of the piece. */
function ends() {
  piece.value.length = Math.round(player.now.value)
  player.stop(true)
  changed()
}
async function opened([file]: File[]) {
  if (!file) return
  refused.value = ''
  try {
    piece.value.length = await player.open(file)
    if (!piece.value.title) piece.value.title = file.name.replace(/\.\w+$/, '')
    if (!piece.value.place) piece.value.place = file.name
    changed()
  } catch {
    refused.value = say('pieces-file-unheard', { name: file.name })
  }
}
async function keep() {
  refused.value = ''
  try {
    const read = await keepRecording(fresh.value ? '' : props.id, {
      ...piece.value,
      marks: marks.value as Body['marks'],
    })
    dirty.value = false
    said.value = say('pieces-kept')
    if (fresh.value) await router.replace(`/pieces/${read.id}`)
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
async function takeOff() {
  const { id } = props
  await takeOffRecording(id)
  dirty.value = false
  offerUndo(say('pieces-off', { title: piece.value.title }), () => putBackRecording(id))
  await router.push('/pieces')
}
useKeys([
  { key: ' ', says: say('pieces-keys-play'), act: turn },
  { key: 'n', says: say('pieces-keys-new'), act: () => tap(letters.value.next) },
  ...['a', 'b', 'c', 'd'].map((letter) => ({
    key: letter,
    says: say('pieces-keys-again', { letter }),
    act: () => letters.value.known.includes(letter) && tap(letter),
  })),
])
function about(now: Body) {
  piece.value = now
  changed()
}
</script>

<template>
  <PageState
    v-if="!fresh && !found.data.value"
    :error="found.error.value"
    @again="found.refetch()"
  />
  <div v-else class="page piece">
    <header class="row spread">
      <div>
        <h1>{{ piece.title || say('pieces-add') }}</h1>
        <p class="quiet">
          <template v-if="piece.length">{{ runTime(piece.length) }}</template><template
            v-if="piece.style"
            >, {{ piece.style }}</template
          ><template v-if="own">. {{ say('pieces-own') }}</template>
        </p>
      </div>
      <div class="row">
        <v-btn v-if="!fresh" @click="takeOff">{{ say('pieces-take-off') }}</v-btn><v-btn
          class="main"
          :disabled="!dirty || !piece.title || !piece.length"
          @click="keep"
          >{{ say('pieces-keep') }}</v-btn
        >
      </div>
    </header>
    <p v-if="refused || player.problem.value" class="wrong" role="alert">
      △ {{ refused || player.problem.value }}
    </p>
    <p v-if="said" class="secure" role="status">✓ {{ said }}</p>
    <FormLine
      :length="piece.length || Math.max(player.now.value, 1)"
      :sections="sections"
      :changes="changesIn(marks)"
      :now="player.now.value"
      :label="piece.title || say('pieces-add')"
    />
    <div class="row tools">
      <v-btn
        class="main"
        height="48"
        :prepend-icon="player.playing.value ? mdiStop : mdiPlay"
        @click="turn"
        >{{
          player.playing.value
            ? say('play-stop')
            : player.kind.value === 'clock'
              ? say('pieces-clock')
              : say('play-start')
        }}</v-btn
      >
      <span class="narrow moment" aria-live="off">{{ runTime(player.now.value) }}</span>
      <v-btn
        v-if="player.kind.value === 'clock' && player.playing.value"
        height="48"
        @click="ends"
        >{{ say('pieces-ends') }}</v-btn
      >
      <v-btn height="48" :disabled="!player.playing.value" @click="tap(letters.next)"
        >{{ say('pieces-new-part', { letter: letters.next }) }} <span class="kbd">n</span></v-btn
      >
      <v-btn
        v-for="letter in letters.known"
        :key="letter"
        height="48"
        :disabled="!player.playing.value"
        @click="tap(letter)"
        >{{ say('pieces-part-again', { letter }) }} <span class="kbd">{{ letter }}</span></v-btn
      >
    </div>
    <div class="row tools small">
      <span class="quiet">{{ say('pieces-changes') }}</span><v-btn
        v-for="one in changes"
        :key="one"
        size="small"
        :disabled="!player.playing.value"
        @click="tap('', one)"
        >{{ sayOf('pieces-change', one) }}</v-btn
      >
    </div>
    <p v-if="!own" class="small quiet">
      {{
        player.fileName.value
          ? say('pieces-file-stays', { name: player.fileName.value })
          : say('pieces-how')
      }}
    </p>
    <FileField v-if="!own" :label="say('pieces-file')" accept="audio/*" @files="opened" />
    <div class="two">
      <section class="stack">
        <h2>{{ say('pieces-moments') }}</h2>
        <p v-if="!marks.length" class="quiet">{{ say('pieces-no-moments') }}</p>
        <MarkList
          :marks="marks"
          @move="(mark, by) => replace(mark, [nudged(mark, by, piece.length)])"
          @remove="replace($event, [])"
          @hear="player.start($event)"
        />
      </section>
      <PieceAbout
        :model-value="piece"
        :own="own"
        :every="concepts.data.value ?? []"
        :heard="found.data.value?.concepts ?? []"
        @update:model-value="about"
      />
    </div>
  </div>
</template>

<style scoped>
.piece {
  gap: 14px;
}
.tools {
  gap: 8px 12px;
}
.moment {
  font-size: 24px;
  min-width: 64px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 36px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
