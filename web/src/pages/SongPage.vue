<script setup lang="ts">
// A song: its score, where its home is and how sure that is, what it is made of, what needs a look.
import { computed, ref, watch } from 'vue'
import { api, body } from '@/api/client'
import type { Schemas } from '@/api/client'
import {
  annotateSong,
  lookedAt,
  useConcepts,
  useScore,
  useSections,
  useSong,
  type Variant,
} from '@/api/queries'
import { useBarColours, useInsight } from '@/api/songs'
import PageState from '@/components/PageState.vue'
import ScoreView from '@/components/ScoreView.vue'
import TonicPattern from '@/components/TonicPattern.vue'
import { LAYERS } from '@/composables/layers'
import { useKeys } from '@/composables/useKeys'
import { heardTogether } from '@/composables/parts'
import { usePlayback } from '@/composables/usePlayback'
import { play } from '@/composables/useSound'
import { useTrail } from '@/composables/useTrail'
import BarProblems from '@/features/songs/BarProblems.vue'
import LayerBar from '@/features/songs/LayerBar.vue'
import PianoKeys from '@/features/songs/PianoKeys.vue'
import PlayBar from '@/features/songs/PlayBar.vue'
import PartBar from '@/features/songs/PartBar.vue'
import SongFiles from '@/features/songs/SongFiles.vue'
import SongHome from '@/features/songs/SongHome.vue'
import SongTabs from '@/features/songs/SongTabs.vue'
import { usePointed } from '@/features/songs/usePointed'
import VariantBar from '@/features/songs/VariantBar.vue'
import TonePictures from '@/features/songs/TonePictures.vue'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ id: string }>()
const variant = ref<Variant>({})
const song = useSong(() => props.id, variant)
const found = computed(() => song.data.value)
const layers = ref<string[]>(['words'])
const reading = ref(false)
const alone = ref(false)
const score = useScore(
  () => props.id,
  1700,
  false,
  () => ({
    layers: reading.value
      ? []
      : LAYERS.filter((one) => one !== 'words' && layers.value.includes(one)),
    words: !reading.value && layers.value.includes('words'),
    version: JSON.stringify(found.value?.annotations ?? {}),
    variant: variant.value,
    alone: alone.value,
  }),
)
/** In another key or tonality than it is printed in; to look at one part of it is nothing of the kind. */
const recast = computed(() => !!(variant.value.recast ?? variant.value.do))
const silentParts = ref<number[]>([])
const player = usePlayback(() => found.value && heardTogether(found.value, silentParts.value))
const {
  note: noteNow,
  midi: midiNow,
  says: pointedAt,
  point,
  pointWhenIn,
  step,
} = usePointed(found, player.now)
function pointInPart(part: number, note: number) {
  pointWhenIn(part, note)
  variant.value = lookedAt(variant.value, 'part', part)
}
const cannot = ref('')
watch(
  () => song.error.value,
  (problem) => {
    if (!problem || !Object.keys(variant.value).length) return
    cannot.value = problem.message // what cannot be recast is said, and the song stays as it is
    variant.value = {}
  },
)
watch(variant, (now) => {
  if (Object.keys(now).length) cannot.value = ''
})
const bar = ref<InstanceType<typeof LayerBar>>()
const telling = ref(false)
const refused = ref('')
async function tell(annotations: Schemas['AnnotationsBody']) {
  telling.value = true
  refused.value = ''
  await annotateSong(props.id, annotations).catch(
    (problem: unknown) =>
      (refused.value = problem instanceof Error ? problem.message : String(problem)),
  )
  telling.value = false
}
useTrail(() => [{ says: say('songs-title'), to: '/songs' }, { says: found.value?.title ?? '' }])
const coloured = ref(false)
const ownHands = ref(false)
const barColours = useBarColours()
const hasColours = computed(() => Object.keys(barColours.data.value?.colours ?? {}).length > 0)
const noteColours = computed(
  () =>
    new Map(
      (found.value?.sounds ?? []).flatMap((one) => {
        const colour = (barColours.data.value?.colours as Record<string, string> | undefined)?.[
          one.pitch?.replace(/-?\d+$/, '') ?? ''
        ]
        return colour ? [[one.note, colour] as const] : []
      }),
    ),
)
/** Colour is never the only cue: letters come along. */
watch(coloured, (now) => {
  if (now && !layers.value.includes('letters')) layers.value = [...layers.value, 'letters']
})
const chosen = ref<string | null>(null)
const markedNotes = computed(() =>
  chosen.value
    ? (found.value?.sounds ?? [])
        .filter((one) => one.degree === chosen.value)
        .map((one) => one.note)
    : [],
)
const sections = useSections()
const concepts = useConcepts()
const insight = useInsight(
  () => props.id,
  variant,
  () => JSON.stringify([found.value?.annotations ?? {}, found.value?.title]),
)
const mend = (at: number, how: Schemas['RepairRead']['how']) =>
  tell({
    ...(found.value?.annotations ?? {}),
    repairs: { ...(found.value?.annotations.repairs ?? {}), [String(at)]: how },
  } as Schemas['AnnotationsBody'])
const showIn = (letter: string | null) => {
  variant.value = lookedAt(variant.value, 'do', letter)
}
/** A trial sounds the song in one tonality or the other without showing which: what is on the page stays. */
async function soundAs(how: 'as_written' | 'parallel' | 'half') {
  const read = await body(
    api.GET('/api/songs/{song_id}', {
      params: { path: { song_id: props.id }, query: how === 'as_written' ? {} : { recast: how } },
    }),
  ).catch(() => null)
  if (read) await player.sound(read)
}
useKeys([
  ...LAYERS.map((layer, index) => ({
    key: String(index + 1),
    says: sayOf('layers-names', layer),
    act: () => {
      if (!reading.value) bar.value?.turn(layer)
    },
  })),
  { key: ' ', says: say('play-start'), act: () => player.turn() },
  {
    key: 'r',
    says: say('layers-reading-hint'),
    act: () => {
      reading.value = !reading.value
    },
  },
  {
    key: 'p',
    says: say('keys-pitch'),
    act: () => found.value?.starting && play([found.value.starting.midi], 1.6),
  },
  {
    key: 'o',
    says: say('keys-tonic'),
    act: () => found.value && play(found.value.tonic.map((tone) => tone.midi)),
  },
])
</script>

<template>
  <PageState v-if="!found" :error="song.error.value" @again="song.refetch()" />
  <div v-else class="page">
    <header class="row spread">
      <h1>{{ found.title }}</h1>
      <TonicPattern :tonic="found.tonic" :starting="found.starting" />
    </header>
    <BarProblems
      :problems="found.problems"
      :repairs="insight.data.value?.repairs ?? []"
      :busy="telling"
      @mend="mend"
    />
    <div class="song">
      <div class="left">
        <LayerBar
          ref="bar"
          v-model="layers"
          v-model:reading="reading"
          v-model:coloured="coloured"
          v-model:own-hands="ownHands"
          :colours="hasColours"
        />
        <PartBar
          v-if="found.parts.length"
          v-model="variant"
          v-model:alone="alone"
          v-model:silent="silentParts"
          :song="found"
        />
        <div class="paper sheet" :class="{ 'one-part': !!variant.part }">
          <ScoreView
            v-if="score.data.value"
            :svg="score.data.value"
            :label="say('song-score', { title: found.title })"
            :now="reading ? null : noteNow"
            :marked="reading ? [] : markedNotes"
            :colours="coloured && !reading ? noteColours : undefined"
            :own-hands="ownHands"
            @note="point"
            @other="pointInPart"
            @step="step"
          />
          <p v-else-if="score.error.value" class="wrong">△ {{ score.error.value.message }}</p>
          <p v-else class="quiet waiting">{{ say('state-loading') }}</p>
        </div>
        <p class="small quiet pointed" role="status">
          {{ reading ? '' : pointedAt || say('song-point-hint') }}
        </p>
        <VariantBar v-if="found.own.do" v-model="variant" :own="found.own" />
        <p v-if="cannot" class="wrong small" role="alert">△ {{ cannot }}</p>
        <PlayBar v-if="found.sounds.length" :player="player" :phrases="found.form.split(' ')" />
        <SongTabs
          v-if="!reading"
          :id="id"
          :song="found"
          :variant="variant"
          :insight="insight.data.value"
          :chosen="chosen"
          :busy="telling"
          :sections="sections.data.value ?? []"
          :concepts="concepts.data.value ?? []"
          @choose="chosen = chosen === $event ? null : $event"
          @tell="tell"
          @show="showIn"
          @sound="soundAs"
          @look="variant = $event"
        />
      </div>
      <aside v-if="!reading" class="right">
        <SongHome
          :song="found"
          :recast="recast"
          :concepts="concepts.data.value ?? []"
          :refused="refused"
          :busy="telling"
          @annotate="tell"
        />
        <PianoKeys v-if="found.low" :tones="found.sounds" :now="midiNow" />
        <TonePictures
          v-if="found.low"
          :song="found"
          :now="midiNow"
          :chosen="chosen"
          @choose="chosen = chosen === $event ? null : $event"
        />
        <SongFiles
          :id="id"
          :variant="variant"
          :layers="layers"
          :own-hands="ownHands"
          :alone="alone"
          :shipped="found.shipped"
          :title="found.title"
          :pitched="found.do !== null"
        />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.song {
  display: grid;
  grid-template-columns: minmax(0, 2.1fr) minmax(230px, 1fr);
  gap: 32px;
  align-items: start;
}
.song:has(> .left:only-child) {
  grid-template-columns: minmax(0, 1fr);
}
.paper {
  padding: 18px 20px;
  min-height: 384px;
}
.waiting {
  padding: 24px;
}
.pointed {
  min-height: 22px;
  padding-top: 4px;
}
.right {
  display: grid;
  gap: 20px;
}
@media (max-width: 900px) {
  .song {
    grid-template-columns: 1fr;
  }
}
</style>
