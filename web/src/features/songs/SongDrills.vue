<script setup lang="ts">
// Native: a row of tones that wraps like text.
// Practice made from a song: calls to echo from its own turns, and rows over its tones. Each is heard at a press, large to project.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { useEchoes, useRows } from '@/api/songs'
import { tones as sound } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { choices, say } from '@/locales/say'
import { rowsSum } from '@/locales/sayings'

type Played = Schemas['PlayedRead']
const props = defineProps<{ id: string; toneSet: readonly string[] }>()
const KINDS = ['echo', 'up_and_down', 'thirds', 'sequence', 'widening'] as const
const kind = ref<(typeof KINDS)[number]>('echo')
const beats = ref(4)
const ending = ref<'any' | 'home' | 'open'>('any')
const start = ref<string | null>(null)
const tempo = ref(80)
watch(
  () => props.id,
  () => {
    start.value = null
  },
)
const echoes = useEchoes(
  () => props.id,
  beats,
  ending,
  () => kind.value === 'echo',
)
const rows = useRows(
  () => props.id,
  kind,
  start,
  tempo,
  () => kind.value !== 'echo',
)
const lines = computed<{ tones: Played[]; note: string }[]>(() =>
  kind.value === 'echo'
    ? (echoes.data.value ?? []).map((one) => ({
        tones: one.tones,
        note: `${say('song-bar', { n: one.bar })}, ${one.home ? say('drills-home') : say('drills-open')}`,
      }))
    : (rows.data.value?.tone_patterns ?? []).map((tones) => ({ tones, note: '' })),
)
const problem = computed(
  () => (kind.value === 'echo' ? echoes.error.value : rows.error.value)?.message ?? '',
)
const spoken = (tones: readonly Played[]) =>
  tones.map((one) => (one.degree ? degreeName(one.degree, one.pitch ?? undefined) : '·')).join(' ')
function hear(tones: readonly Played[]) {
  let at = 0
  const beat = 60 / tempo.value
  sound(
    tones.flatMap((one) => {
      const plan = { at, seconds: one.beats * beat, midi: one.midi }
      at += one.beats * beat
      return one.midi === null ? [] : [plan]
    }),
  )
}
</script>

<template>
  <section class="stack">
    <div class="row head">
      <v-select
        v-model="kind"
        :label="say('drills-kind')"
        :items="choices('drills-kinds', KINDS)"
      />
      <template v-if="kind === 'echo'">
        <v-select v-model="beats" :label="say('drills-beats')" :items="[2, 3, 4, 6, 8]" />
        <v-select
          v-model="ending"
          :label="say('drills-ending')"
          :items="choices('drills-endings', ['any', 'home', 'open'] as const)"
        />
      </template>
      <v-select
        v-else
        v-model="start"
        :label="say('drills-from')"
        :items="[
          { value: null, title: say('drills-lowest') },
          ...toneSet.slice(1, -1).map((one) => ({ value: one, title: degreeName(one) })),
        ]"
      />
      <span class="small">{{ say('play-tempo-short', { n: tempo }) }}</span>
      <v-slider
        v-model="tempo"
        :min="40"
        :max="160"
        :step="4"
        :aria-label="say('play-tempo', { n: tempo })"
      />
    </div>
    <p v-if="problem" class="wrong small" role="alert">△ {{ problem }}</p>
    <p v-else-if="kind !== 'echo' && rows.data.value" class="small quiet">
      {{ rowsSum(rows.data.value.tones, rows.data.value.seconds) }}
    </p>
    <p v-else-if="kind === 'echo' && !lines.length" class="quiet">{{ say('drills-none') }}</p>
    <ol>
      <li v-for="(line, index) in lines" :key="index">
        <button
          class="tones"
          :title="say('insight-hear')"
          :aria-label="spoken(line.tones)"
          @click="hear(line.tones)"
        >
          <span
            v-for="(one, n) in line.tones"
            :key="n"
            :class="{ rest: !one.degree }"
            :style="{ minWidth: `${Math.max(one.beats, 0.5) * 46}px` }"
            >{{ one.degree ? degreeName(one.degree, one.pitch ?? undefined) : '·' }}</span
          ></button
        ><span class="small quiet">{{ line.note }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.head {
  gap: 8px 18px;
}
ol {
  columns: 2;
  column-gap: 32px;
}
li {
  break-inside: avoid;
  display: flex;
  gap: 14px;
  align-items: baseline;
  border-top: 1px solid var(--line);
  padding: 4px 0;
  justify-content: space-between;
  flex-wrap: wrap;
}
.tones {
  display: inline-flex;
  flex-wrap: wrap;
  column-gap: 10px;
  font-size: 20px;
  font-weight: 650;
  min-height: 36px;
  align-items: center;
}
.tones:hover {
  background: var(--wash);
}
.rest {
  color: var(--granite);
}
@media (max-width: 900px) {
  ol {
    columns: 1;
  }
  .tones {
    min-height: 44px;
  }
}
</style>
