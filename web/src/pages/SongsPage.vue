<script setup lang="ts">
// The songbook: find one, bring some in.
import { mdiTrayArrowUp } from '@mdi/js'
import { computed, ref } from 'vue'
import { api, body, type Schemas } from '@/api/client'
import { importSongs, queryClient, useConcepts, useSections, useSongs, useSongsAsked, type Asked } from '@/api/queries'
import ContourLine from '@/components/ContourLine.vue'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import { degreeName } from '@/composables/useWording'
import SongSentence from '@/features/songs/SongSentence.vue'
import { say } from '@/locales/en'

useTrail(() => [{ says: say.songs.title }])
const songs = useSongs()
const text = ref('')
const report = ref<Schemas['ImportedRead'][]>([])
const refused = ref('')
const busy = ref(false)
const over = ref(false)
const picker = ref<HTMLInputElement>()
const sections = useSections()
const concepts = useConcepts()
const asked = ref<Asked>({ section: '', has: [], known: false, fits: false, rested: null, new: false })
const answered = useSongsAsked(asked)
const why = computed(() => (asked.value.section ? new Map((answered.data.value ?? []).map((one) => [one.song_id, one.reasons])) : null))
const shown = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (songs.data.value ?? []).filter((song) => {
    const hay = `${song.title} ${song.tone_set_name ?? ''} ${song.meter} ${song.tone_set.join(' ')} ${song.tone_set.map((tone) => degreeName(tone)).join(' ')}`.toLowerCase()
    return words.every((word) => hay.includes(word)) && (why.value === null || why.value.has(song.id))
  })
})
async function bring(files: FileList | null | undefined) {
  over.value = false
  if (!files?.length) return
  await reported(() => importSongs(files))
}
async function shipped() {
  await reported(() => body(api.POST('/api/songs/shipped')))
  await queryClient.invalidateQueries({ queryKey: ['songs'] })
}
async function reported(act: () => Promise<Schemas['ImportRead']>) {
  busy.value = true
  refused.value = ''
  try {
    report.value = (await act()).songs
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  } finally {
    busy.value = false
  }
}
const became = (one: Schemas['ImportedRead']) => (one.song_id ? (one.already ? say.songs.already : say.songs.added) : say.songs.refused)
</script>

<template>
  <div class="page">
    <header class="row spread">
      <div class="row"><h1>{{ say.songs.title }}</h1><span class="quiet">{{ say.songs.count(songs.data.value?.length ?? 0) }}</span></div>
      <input v-model="text" type="search" class="find" :aria-label="say.songs.find" :placeholder="say.songs.find" />
    </header>
    <div :class="['drop', { over }]" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="bring($event.dataTransfer?.files)">
      <input ref="picker" type="file" multiple hidden accept=".musicxml,.xml,.mxl,.abc,.mid,.midi" :aria-label="say.songs.bring" @change="bring(picker?.files)" />
      <v-btn :prepend-icon="mdiTrayArrowUp" :disabled="busy" @click="picker?.click()">{{ busy ? say.songs.busy : say.songs.bring }}</v-btn>
      <span class="quiet small">{{ say.songs.drop }}</span>
      <v-btn to="/songs/new">{{ say.typing.open }}</v-btn>
      <v-btn :disabled="busy" @click="shipped">{{ say.songs.shipped }}</v-btn>
    </div>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <section v-if="report.length" class="report sheet" role="status" :aria-label="say.songs.report">
      <div v-for="(one, index) in report" :key="index" class="line"><span :class="one.song_id ? 'secure' : 'wrong'">{{ one.song_id ? '✓' : '△' }} {{ became(one) }}</span><router-link v-if="one.song_id" :to="`/songs/${one.song_id}`">{{ one.title }}</router-link><span v-else>{{ one.filename }}</span><span class="small quiet">{{ one.message }} {{ one.problems ? say.songs.problems(one.problems) : '' }}</span></div>
    </section>
    <SongSentence v-if="songs.data.value?.length" v-model="asked" :sections="sections.data.value ?? []" :concepts="concepts.data.value ?? []" />
    <p v-if="why" class="small quiet" role="status">{{ say.ask.found(shown.length) }}</p>
    <PageState v-if="!songs.data.value" :error="songs.error.value" @again="songs.refetch()" />
    <p v-else-if="!songs.data.value.length" class="quiet">{{ say.songs.none }}</p>
    <p v-else-if="!shown.length" class="quiet">{{ say.songs.nothing }}</p>
    <ol v-else class="rows">
      <li v-for="song in shown" :key="song.id">
        <router-link :to="`/songs/${song.id}`" class="song">
          <span><strong>{{ song.title }}</strong><span v-if="song.problems" class="small new"> △ {{ say.songs.problems(song.problems) }}</span></span>
          <ContourLine :pitches="song.contour" />
          <span class="narrow tones">{{ song.tone_set.map((tone) => degreeName(tone)).join(' ') }}</span><span class="quiet small">{{ song.tone_set_name }}</span><span class="narrow">{{ song.meter }}</span><span class="quiet small">{{ say.songs.bars(song.bars) }}</span>
          <span v-if="why?.get(song.id)?.length" class="small quiet why">{{ (why.get(song.id) ?? []).join(' ') }}</span>
        </router-link>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.find { font: inherit; padding: 8px 12px; width: 320px; border: 1px solid var(--granite); border-radius: 2px; background: var(--sheet); color: inherit; }
.drop { border: 1px dashed var(--granite); border-radius: 2px; padding: 12px 16px; display: flex; gap: 16px; align-items: center; flex-wrap: wrap; }
.drop.over { background: var(--dusk-wash); border-style: solid; }
.drop > span { flex: 1; }
.report { padding: 10px 16px; max-height: 260px; overflow: auto; }
.line { display: grid; grid-template-columns: 130px minmax(160px, 1fr) 1.4fr; gap: 12px; padding: 4px 0; }
.song { display: grid; grid-template-columns: minmax(180px, 1.6fr) 130px minmax(120px, 1.1fr) 130px 46px 66px; gap: 16px; align-items: center; padding: 8px; border-top: 1px solid var(--line); color: inherit; text-decoration: none; min-height: 46px; }
.song:hover { background: var(--wash); }
.tones { font-weight: 600; }
.why { grid-column: 1 / -1; margin-top: -12px; }
@media (max-width: 900px) { .song { grid-template-columns: 1fr auto; } .song > :nth-child(n+4) { display: none; } .song > .why { display: block; } }
</style>
