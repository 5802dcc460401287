<script setup lang="ts">
// What there is to know about a song beneath its score, a tab for each question.
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import type { Variant } from '@/api/queries'
import SongAbout from '@/features/songs/SongAbout.vue'
import SongDrills from '@/features/songs/SongDrills.vue'
import SongGames from '@/features/songs/SongGames.vue'
import SongKeys from '@/features/songs/SongKeys.vue'
import SongMadeOf from '@/features/songs/SongMadeOf.vue'
import SongPhrases from '@/features/songs/SongPhrases.vue'
import SongTogether from '@/features/songs/SongTogether.vue'
import SongWords from '@/features/songs/SongWords.vue'
import { choices, say, sayOf } from '@/locales/say'

type How = 'as_written' | 'parallel' | 'half'
const props = defineProps<{
  id: string
  song: Schemas['SongRead']
  variant: Variant
  insight: Schemas['InsightRead'] | undefined
  chosen: string | null
  busy: boolean
  sections: readonly Schemas['SectionRead'][]
  concepts: readonly Schemas['ConceptRead'][]
}>()
const emit = defineEmits<{
  choose: [tone: string]
  tell: [annotations: Schemas['AnnotationsBody']]
  show: [letter: string | null]
  sound: [how: How]
  look: [variant: Variant]
}>()
const TABS = ['made', 'together', 'words', 'phrases', 'keys', 'drills', 'games', 'about'] as const
const tab = ref<(typeof TABS)[number]>('made')
/** What is not said anew stays as the teacher said it. */
const sayAnew = (change: Partial<Schemas['AnnotationsBody']>) =>
  emit('tell', { ...props.song.annotations, ...change } as Schemas['AnnotationsBody'])
const takePhrases = (bars: number[]) => sayAnew({ phrases: bars, labels: [] })
const singIn = (letter: string | null) => sayAnew({ sung: letter })
</script>

<template>
  <div>
    <v-tabs v-model="tab" density="compact" class="tabs" :aria-label="say('insight-tabs-title')">
      <v-tab v-for="one in choices('insight-tabs', TABS)" :key="one.value" :value="one.value">{{
        one.title
      }}</v-tab>
    </v-tabs>
    <div role="tabpanel" :aria-label="sayOf('insight-tabs', tab)">
      <SongMadeOf v-if="tab === 'made'" :song="song" :axes="insight?.difficulty ?? []" />
      <SongTogether
        v-else-if="tab === 'together'"
        :id="id"
        :song="song"
        :variant="variant"
        @look="emit('look', $event)"
      />
      <SongWords
        v-else-if="tab === 'words' && insight"
        :insight="insight"
        :tone-set="song.tone_set"
        :chosen="chosen"
        @choose="emit('choose', $event)"
      />
      <SongPhrases
        v-else-if="tab === 'phrases' && insight"
        :song="song"
        :insight="insight"
        :busy="busy"
        @take="takePhrases"
      />
      <SongKeys
        v-else-if="tab === 'keys'"
        :id="id"
        :written="song.own.do"
        :sung="song.annotations.sung ?? null"
        :busy="busy"
        :sections="sections"
        @show="emit('show', $event)"
        @sing="singIn"
      />
      <SongDrills v-else-if="tab === 'drills'" :id="id" :tone-set="song.tone_set" />
      <SongGames
        v-else-if="tab === 'games'"
        :song="song"
        :sections="sections"
        @sound="emit('sound', $event)"
      />
      <SongAbout
        v-else-if="tab === 'about'"
        :song="song"
        :twins="insight?.twins ?? []"
        :concepts="concepts"
      />
    </div>
  </div>
</template>

<style scoped>
.tabs {
  margin: 22px 0 14px;
  border-bottom: 1px solid var(--granite);
}
</style>
