<script setup lang="ts">
// Bars for a song: the set as it lies, what comes off and on; homes that need no swap; borduns for two hands, each checked.
import { computed, ref, watch } from 'vue'
import { useBars } from '@/api/instruments'
import { useKeys } from '@/composables/useKeys'
import { play, tones } from '@/composables/useSound'
import { pitchName } from '@/composables/words'
import { say, sayOf } from '@/locales/say'
import BarSet from './BarSet.vue'
import BordunRow from './BordunRow.vue'
import SongPick from './SongPick.vue'

const song = ref('')
const home = ref('')
watch(song, () => (home.value = ''))
const read = useBars(song, home)
const found = computed(() => read.data.value)
const KEYS = ['C', 'D', 'E', 'F', 'G', 'A', 'Bb'].map((value) => ({
  value,
  title: pitchName(value),
}))
const SECONDS = 0.6
/** One bar of a bordun, twice. */
function hear(strokes: readonly { beat: number; midi: number }[], beats: number) {
  const plan = [0, 1].flatMap((round) =>
    strokes.map((one) => ({
      ...{ at: (round * beats + one.beat) * SECONDS, seconds: SECONDS, midi: one.midi },
    })),
  )
  tones(plan.sort((a, b) => a.at - b.at))
}
const first = computed(() => found.value?.borduns.find((one) => one.reason.weight === 'for'))
useKeys([
  {
    key: ' ',
    says: say('bars-key-hear'),
    act: () => first.value && hear(first.value.strokes, first.value.beats),
  },
])
</script>

<template>
  <div class="shelf">
    <div class="row choose">
      <SongPick v-model="song" />
      <v-select
        class="do"
        :model-value="home || found?.do"
        :label="say('bars-do')"
        :items="KEYS"
        @update:model-value="home = $event ?? ''"
      />
      <p v-if="found?.homes.length" class="small">
        {{ say('bars-homes', { homes: found.homes.join(', ') }) }}
      </p>
    </div>
    <p v-if="read.error.value" class="refused" role="alert">△ {{ read.error.value.message }}</p>
    <template v-if="found">
      <p :class="['lead', found.reason.weight]">
        {{ found.reason.weight === 'for' ? '✓' : '△' }} {{ found.reason.sentence }}
      </p>
      <BarSet
        :bars="found.bars"
        :label="say('bars-set', { title: found.title })"
        @hear="play([$event])"
      />
      <p class="small quiet">{{ say('bars-written') }}</p>
      <h2>{{ say('bars-borduns') }}</h2>
      <ol v-if="found.borduns.length" class="borduns">
        <BordunRow
          v-for="one in found.borduns"
          :key="one.rung"
          :bordun="one"
          :name="sayOf('bordun', one.rung)"
          @hear="hear(one.strokes, one.beats)"
        />
      </ol>
      <p v-else class="quiet">{{ say('bars-no-bordun') }}</p>
      <p class="small quiet">{{ say('bars-care') }}</p>
    </template>
  </div>
</template>

<style scoped>
.choose {
  gap: 14px;
}
.do {
  flex: 0 0 110px;
}
.lead {
  font-size: 20px;
  margin: 14px 0 6px;
}
.against,
.refused {
  color: var(--aloe);
}
h2 {
  font-size: 16px;
  margin: 18px 0 6px;
}
.borduns {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
