<script setup lang="ts">
// A song typed by hand: one line of tones, one of words; the score and its sums follow while one types.
import { rules } from '@/api/rules'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { draftSong, keepTypedSong } from '@/api/queries'
import type { Schemas } from '@/api/client'
import ScoreView from '@/components/ScoreView.vue'
import OnBeat from '@/features/songs/OnBeat.vue'
import { vFirst } from '@/composables/vFirst'
import { useTrail } from '@/composables/useTrail'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

type Typed = Schemas['TypedBody']
const PAUSE = 250 // milliseconds without a key until the score follows
useTrail(() => [{ says: say('songs-title'), to: '/songs' }, { says: say('typing-title') }])
const router = useRouter()
const typed = ref<Typed>({ title: '', do: 'F', meter: '2/4', line: '', words: '' })
const draft = ref<Schemas['DraftRead'] | null>(null)
const refused = ref('')
const keeping = ref(false)
const METERS = ['2/4', '3/4', '4/4', '6/8', '2/2', '3/8', '9/8', '12/8'] as const
const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'Bb', 'Eb', 'Ab'] as const
let timer = 0
watch(
  typed,
  () => {
    window.clearTimeout(timer)
    if (typed.value.line.trim()) timer = window.setTimeout(() => void look(), PAUSE)
    else draft.value = null
  },
  { deep: true },
)
async function look() {
  const asked = JSON.stringify(typed.value)
  try {
    const read = await draftSong(typed.value)
    if (asked !== JSON.stringify(typed.value)) return // typed on meanwhile
    draft.value = read
    refused.value = ''
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem) // the last good score stays
  }
}
const ready = computed(
  () => typed.value.title.trim() !== '' && draft.value !== null && !refused.value,
)
async function keep() {
  keeping.value = true
  try {
    const kept = await keepTypedSong(typed.value)
    if (kept.song_id) await router.push(`/songs/${kept.song_id}`)
    else refused.value = kept.message
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  } finally {
    keeping.value = false
  }
}
</script>

<template>
  <form class="page" @submit.prevent="keep">
    <header class="row spread">
      <h1>{{ say('typing-title') }}</h1>
      <v-btn type="submit" class="main" :disabled="!ready || keeping">{{
        say('typing-keep')
      }}</v-btn>
    </header>
    <div class="head">
      <v-text-field
        v-model="typed.title"
        v-first
        :label="say('typing-name')"
        :rules="rules('TypedBody', 'title')"
        validate-on="blur"
      />
      <v-select
        v-model="typed.do"
        :label="say('told-do')"
        :items="LETTERS.map((one) => ({ value: one, title: pitchName(one) }))"
      />
      <v-select v-model="typed.meter" :label="say('song-meter')" :items="METERS" />
    </div>
    <div class="two">
      <v-textarea
        v-model="typed.line"
        :label="say('typing-line')"
        rows="4"
        spellcheck="false"
        autocapitalize="off"
        :placeholder="say('typing-example')"
      />
      <v-textarea
        v-model="typed.words"
        :label="say('typing-words')"
        rows="4"
        :placeholder="say('typing-words-example')"
      />
    </div>
    <p class="small quiet">{{ say('typing-hint') }}</p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <template v-if="draft">
      <p class="small" role="status">
        <span v-if="draft.problems.length" class="wrong"
          >△ {{ draft.problems.map((one) => one.message).join(' ') }}</span
        ><span v-else class="secure">✓ {{ say('typing-sums', { n: draft.bars }) }}</span>
        <span class="quiet">{{ draft.tones.map((tone) => degreeName(tone)).join(' ') }}</span>
        <span v-if="draft.without_words" class="new">{{
          say('typing-without', { n: draft.without_words })
        }}</span>
      </p>
      <OnBeat v-if="draft.on_beat" :found="draft.on_beat" class="small" />
      <div class="sheet paper">
        <ScoreView :svg="draft.svg" :label="say('song-score', { title: typed.title })" />
      </div>
    </template>
  </form>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 20px;
}
.area {
  display: grid;
  gap: 4px;
  align-items: start;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}
.paper {
  padding: 18px 20px;
  max-width: 860px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
