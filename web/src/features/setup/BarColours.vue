<script setup lang="ts">
// The colours of the bars in this room, if they have any: set here once, by letter, as the room has them. No colours are given.
import { computed, ref } from 'vue'
import { setBarColours, useBarColours } from '@/api/songs'
import { offerUndo } from '@/composables/useUndo'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

const BARS = ['C', 'D', 'E', 'F', 'F#', 'G', 'A', 'Bb', 'B'] as const
type Bar = (typeof BARS)[number]
const read = useBarColours()
const colours = computed<Partial<Record<Bar, string>>>(() => read.data.value?.colours ?? {})
const refused = ref('')
async function set(bar: Bar, colour: string | null) {
  const now = Object.fromEntries(
    Object.entries({ ...colours.value, [bar]: colour }).filter(([, one]) => one),
  )
  refused.value = ''
  const before = { ...colours.value }
  offerUndo(say('kept-colours'), () => setBarColours(before))
  await setBarColours(now).catch(
    (problem: unknown) =>
      (refused.value = problem instanceof Error ? problem.message : String(problem)),
  )
}
</script>

<template>
  <section class="stack">
    <h2>{{ say('bars-title') }}</h2>
    <p class="quiet small">{{ say('bars-lead') }}</p>
    <div class="row bars">
      <span v-for="bar in BARS" :key="bar" class="bar"
        ><v-text-field
          :model-value="colours[bar] ?? '#b9b2a6'"
          :label="pitchName(bar)"
          type="color"
          :class="{ unset: !colours[bar] }"
          @change="set(bar, ($event.target as HTMLInputElement).value)"
        /><v-btn
          v-if="colours[bar]"
          size="small"
          class="small"
          :aria-label="say('bars-none', { bar: pitchName(bar) })"
          @click="set(bar, null)"
        >
          ×
        </v-btn></span
      >
    </div>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
  </section>
</template>

<style scoped>
.bars {
  gap: 10px 16px;
}
.bar {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
</style>
