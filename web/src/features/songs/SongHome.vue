<script setup lang="ts">
// Where a song's home is and how sure that is, and its sums in short.
import type { Schemas } from '@/api/client'
import ReasonList from '@/components/ReasonList.vue'
import { degreeName } from '@/composables/useWording'
import { capital, pitchName } from '@/composables/words'
import AnnotationsForm from '@/features/songs/AnnotationsForm.vue'
import { toneSetName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'
import { howSure } from '@/locales/sayings'

defineProps<{
  song: Schemas['SongRead']
  recast: boolean
  concepts: readonly Schemas['ConceptRead'][]
  refused: string
  busy: boolean
}>()
const emit = defineEmits<{ annotate: [annotations: Schemas['AnnotationsBody']] }>()
</script>

<template>
  <section v-if="!song.low" class="home">
    <h2>{{ say('song-spoken') }}</h2>
    <p class="small">{{ say('song-spoken-hint') }}</p>
    <AnnotationsForm
      :song="song"
      :concepts="concepts"
      :refused="refused"
      :busy="busy"
      @annotate="emit('annotate', $event)"
    />
  </section>
  <section v-else class="home">
    <h2>
      {{ song.do ? say('song-do-is', { d: pitchName(song.do) }) : say('song-do-unknown') }},
      {{
        song.resting_tone
          ? say('song-rests', { tone: degreeName(song.resting_tone) })
          : say('song-rests-not')
      }}
    </h2>
    <p v-if="recast">
      {{ capital(sayOf('song-tonality', song.tonality)) }}. {{ say('variant-said') }}
    </p>
    <template v-else>
      <p>
        {{ capital(sayOf('song-tonality', song.tonality)) }} ·
        <span :class="{ new: song.confidence < 0.7 }">{{ howSure(song.confidence) }}</span>
      </p>
      <p v-if="song.annotations.sung" class="small">
        <strong>♪</strong>
        {{ say('song-sung-with', { letter: pitchName(song.annotations.sung) }) }}
      </p>
      <ReasonList :reasons="song.reasons" class="small" />
      <AnnotationsForm
        :song="song"
        :concepts="concepts"
        :refused="refused"
        :busy="busy"
        @annotate="emit('annotate', $event)"
      />
    </template>
  </section>
  <dl class="sums">
    <dt v-if="song.low">{{ say('song-tone-set') }}</dt>
    <dd v-if="song.low">
      <strong>{{ toneSetName(song.tone_set_name) }}</strong>
    </dd>
    <dt v-if="song.low">{{ say('song-range') }}</dt>
    <dd v-if="song.low">{{ pitchName(song.low ?? '') }}–{{ pitchName(song.high ?? '') }}</dd>
    <dt>{{ say('song-meter') }}</dt>
    <dd>
      {{ song.meters.join(', ') }}, {{ say('songs-bars', { n: song.bars })
      }}<template v-if="song.seconds">, {{ say('song-times_long') }} {{ song.seconds }}</template>
    </dd>
    <dt>{{ say('song-form') }}</dt>
    <dd>{{ song.form }}</dd>
    <dt v-if="song.low">{{ say('song-final') }}</dt>
    <dd v-if="song.low">{{ degreeName(song.final ?? '') }}</dd>
  </dl>
</template>

<style scoped>
.home {
  display: grid;
  gap: 6px;
}
.sums {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 4px 10px;
}
.sums dt {
  color: var(--granite);
  font-size: 14px;
  padding-top: 2px;
}
</style>
