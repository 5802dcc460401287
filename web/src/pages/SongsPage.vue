<script setup lang="ts">
// The songbook: ask it in a sentence, find as one types, bring some in.
import { computed, onMounted, onUnmounted, ref } from 'vue'
import { api, body, type Schemas } from '@/api/client'
import { queryClient, useConcepts, useSections } from '@/api/queries'
import {
  dropQuestion,
  importMany,
  keepQuestion,
  NOTHING_ASKED,
  useSongKinds,
  useSongQuestions,
  useRemovedSongs,
  bringSongBack,
  useSongsAsked,
  type Asked,
} from '@/api/songs'
import ContourLine from '@/components/ContourLine.vue'
import FileField from '@/components/FileField.vue'
import PageState from '@/components/PageState.vue'
import { offerUndo } from '@/composables/useUndo'
import { useTrail } from '@/composables/useTrail'
import { shortDay } from '@/composables/words'
import { degreeName } from '@/composables/useWording'
import ImportReport from '@/features/songs/ImportReport.vue'
import SongSentence from '@/features/songs/SongSentence.vue'
import { toneSetName } from '@/locales/names'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('songs-title') }])
const text = ref('')
const asked = ref<Asked>({ ...NOTHING_ASKED })
const songs = useSongsAsked(asked, text)
const kinds = useSongKinds()
const kept = useSongQuestions()
const sections = useSections()
const concepts = useConcepts()
const shown = computed(() => songs.data.value?.pages.flatMap((page) => page.songs) ?? [])
const total = computed(() => songs.data.value?.pages[0]?.total ?? 0)
const something = computed(() =>
  Boolean(text.value || asked.value.section || asked.value.has?.length),
)
const report = ref<Schemas['ImportedRead'][]>([])
const refused = ref('')
const progress = ref<{ done: number; all: number } | null>(null)
const stopped = ref(false)
const over = ref(false)
async function bring(files: FileList | readonly File[] | null | undefined) {
  over.value = false
  if (!files?.length) return
  const every = [...files]
  report.value = []
  stopped.value = false
  progress.value = { done: 0, all: every.length }
  await guarded(() =>
    importMany(every, (found, done, all) => {
      report.value = [...report.value, ...found]
      progress.value = { done, all }
      return !stopped.value
    }),
  )
}
/** Pasted files, or the text of a tune: ABC or MusicXML, told apart by how it begins. Not while one types in a field. */
function pasted(event: ClipboardEvent) {
  if ((event.target as Element).closest('input, textarea')) return
  const files = event.clipboardData?.files
  if (files?.length) return void bring(files)
  const text = event.clipboardData?.getData('text/plain').trim() ?? ''
  const name = /^</.test(text) ? 'pasted.musicxml' : /^[A-Za-z]:/.test(text) ? 'pasted.abc' : ''
  if (name) void bring([new File([text], name)])
  else if (text) refused.value = say('songs-not-atune')
}
onMounted(() => window.addEventListener('paste', pasted))
onUnmounted(() => window.removeEventListener('paste', pasted))
const shipped = () =>
  guarded(async () => {
    report.value = (await body(api.POST('/api/songs/shipped'))).songs
  })
async function guarded(act: () => Promise<void>) {
  progress.value ??= { done: 0, all: 0 }
  refused.value = ''
  await act().catch(
    (problem: unknown) =>
      (refused.value = problem instanceof Error ? problem.message : String(problem)),
  )
  progress.value = null
  await queryClient.invalidateQueries({ queryKey: ['songs'] })
}
async function keep(name: string) {
  refused.value = ''
  await keepQuestion(name, asked.value).catch(
    (problem: unknown) =>
      (refused.value = problem instanceof Error ? problem.message : String(problem)),
  )
}
async function drop(id: string) {
  const gone = kept.data.value?.find((one) => one.id === id)
  await dropQuestion(id)
  if (gone)
    offerUndo(say('question-dropped', { name: gone.name }), () =>
      keepQuestion(gone.name, gone.asked),
    )
}
const removed = useRemovedSongs()
</script>

<template>
  <div class="page">
    <header class="row spread">
      <div class="row">
        <h1>{{ say('songs-title') }}</h1>
        <span class="quiet" role="status">{{
          something ? say('ask-found', { n: total }) : say('songs-count', { n: total })
        }}</span>
        <router-link to="/pieces">{{ say('pieces-title') }}</router-link>
      </div>
      <v-text-field
        v-model="text"
        :label="say('songs-find')"
        type="search"
        class="find"
        :placeholder="say('songs-find')"
      />
    </header>
    <SongSentence
      v-model="asked"
      :sections="sections.data.value ?? []"
      :concepts="concepts.data.value ?? []"
      :kinds="kinds.data.value ?? []"
      :kept="kept.data.value ?? []"
      @keep="keep"
      @drop="drop"
    />
    <div
      :class="['drop', { over }]"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="bring($event.dataTransfer?.files)"
    >
      <FileField
        multiple
        :label="progress ? say('songs-busy') : say('songs-bring')"
        accept=".musicxml,.xml,.mxl,.abc,.mid,.midi"
        @files="bring"
      />
      <span class="quiet small">{{ say('songs-drop') }}</span>
      <v-btn to="/songs/new">{{ say('typing-open') }}</v-btn>
      <v-btn :disabled="progress !== null" @click="shipped">{{ say('songs-shipped') }}</v-btn>
    </div>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <ImportReport
      :songs="report"
      :progress="progress?.all ? progress : null"
      @stop="stopped = true"
      @close="report = []"
    />
    <PageState v-if="!songs.data.value" :error="songs.error.value" @again="songs.refetch()" />
    <p v-else-if="!shown.length" class="quiet">
      {{ something ? say('songs-nothing') : say('songs-none') }}
    </p>
    <ol v-else class="rows">
      <li v-for="song in shown" :key="song.id">
        <router-link :to="`/songs/${song.id}`" class="song">
          <span
            ><strong>{{ song.title }}</strong
            ><span v-if="song.parts > 1" class="small quiet">
              {{ say('songs-parts', { n: song.parts }) }}</span
            ><span v-if="song.problems" class="small new">
              △ {{ say('songs-problems', { n: song.problems }) }}</span
            ></span
          >
          <img
            :src="`/api/songs/${song.id}/opening`"
            class="opening"
            loading="lazy"
            decoding="async"
            width="215"
            height="44"
            alt=""
          />
          <ContourLine :pitches="song.contour" />
          <span class="narrow tones">{{
            song.tone_set.map((tone) => degreeName(tone)).join(' ')
          }}</span><span class="quiet small">{{ toneSetName(song.tone_set_name) }}</span
          ><span class="narrow">{{ song.meter }}</span
          ><span class="quiet small">{{ say('songs-bars', { n: song.bars }) }}</span>
          <span v-if="song.reasons.length || song.lessons" class="small quiet why"
            >{{ song.reasons.join(' ') }}
            {{ song.lessons ? say('ask-sung-before', { n: song.lessons }) : '' }}</span
          >
        </router-link>
      </li>
    </ol>
    <v-btn
      v-if="songs.hasNextPage.value"
      :disabled="songs.isFetchingNextPage.value"
      @click="songs.fetchNextPage()"
      >{{ say('ask-more', { n: total - shown.length }) }}</v-btn
    >
    <section v-if="removed.data.value?.length && !something" class="stack removed">
      <h2>{{ say('songs-removed') }}</h2>
      <ul>
        <li v-for="one in removed.data.value" :key="one.id" class="row">
          <span>{{ one.title }}</span><span class="quiet small">{{
            one.removed ? shortDay(one.removed) : ''
          }}</span
          ><v-btn size="small" @click="bringSongBack(one.id)">{{ say('songs-back') }}</v-btn>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.find {
  flex: 0 1 320px;
}
.drop {
  border: 1px dashed var(--granite);
  border-radius: 2px;
  padding: 6px 12px;
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
.drop.over {
  background: var(--dusk-wash);
  border-style: solid;
}
.drop > span {
  flex: 1;
}
.song {
  display: grid;
  grid-template-columns: minmax(170px, 1.2fr) 216px 96px minmax(120px, 1fr) 124px 36px 58px;
  gap: 14px;
  align-items: center;
  padding: 4px 8px;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
  min-height: 54px;
}
.opening {
  object-fit: contain;
  object-position: left center;
}
:root[data-theme='night'] .opening {
  filter: invert(1);
}
.song:hover {
  background: var(--wash);
}
.tones {
  font-weight: 600;
}
.why {
  grid-column: 1 / -1;
  margin-top: -8px;
}
@media (max-width: 900px) {
  .song {
    grid-template-columns: 1fr 216px 130px;
  }
  .song > :nth-child(3),
  .song > :nth-child(n + 5) {
    display: none;
  }
  .song > .why {
    display: block;
  }
  .drop > span {
    flex: 1 1 100%;
    order: 3;
  }
}
@media (max-width: 600px) {
  .song {
    grid-template-columns: 1fr;
  }
  .song > .opening {
    display: block;
  }
}
</style>
