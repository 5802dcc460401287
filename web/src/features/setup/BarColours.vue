<script setup lang="ts">
// Native: the system knows how to choose a colour, and a chooser of our own would weigh more than the page.
// The colours of the bars in this room, if they have any: set here once, by letter, as the room has them. No colours are given.
import { computed } from 'vue'
import { setBarColours, useBarColours } from '@/api/songs'
import { useKeep } from '@/composables/useKeep'
import { offerUndo } from '@/composables/useUndo'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

const BARS = ['C', 'D', 'E', 'F', 'F#', 'G', 'A', 'Bb', 'B'] as const
type Bar = (typeof BARS)[number]
const read = useBarColours()
const colours = computed<Partial<Record<Bar, string>>>(() => read.data.value?.colours ?? {})
const { refused, keep } = useKeep()
async function set(bar: Bar, colour: string | null) {
  const now = Object.fromEntries(
    Object.entries({ ...colours.value, [bar]: colour }).filter(([, one]) => one),
  )
  const before = { ...colours.value }
  if (await keep(() => setBarColours(now)))
    offerUndo(say('kept-colours'), () => setBarColours(before))
}
</script>

<template>
  <section class="stack">
    <h2>{{ say('bars-title') }}</h2>
    <p class="quiet small">{{ say('bars-lead') }}</p>
    <div class="row bars">
      <span v-for="bar in BARS" :key="bar" class="bar"
        ><label class="pot"
          ><span class="narrow">{{ pitchName(bar) }}</span
          ><input
            type="color"
            :class="{ unset: !colours[bar] }"
            :value="colours[bar] ?? '#b9b2a6'"
            @change="set(bar, ($event.target as HTMLInputElement).value)" /></label
        ><v-btn
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
.pot {
  display: grid;
  justify-items: center;
  gap: 2px;
}
.pot input {
  width: 44px;
  height: 44px;
  padding: 2px;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
}
.pot .unset {
  opacity: 0.35;
}
.bar {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
</style>
