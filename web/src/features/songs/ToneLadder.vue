<script setup lang="ts">
// Native: rungs of the picture.
// The tone set from the top, each neighbouring pair named: step, half step or skip. Spacing follows the semitones' order.
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { pitchName } from '@/composables/words'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

defineProps<{
  ladder: readonly Schemas['RungRead'][]
  resting: string | null
  chosen?: string | null
  now?: number | null
}>()
const emit = defineEmits<{ choose: [degree: string] }>()
const LETTERS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }
function midi(pitch: string): number {
  const match = /^([A-G])(#*|b*)(-?\d)$/.exec(pitch)
  if (!match) return 60
  const [, letter = 'C', signs = '', octave = '4'] = match
  return (
    12 * (Number(octave) + 1) +
    (LETTERS[letter] ?? 0) +
    (signs.includes('#') ? signs.length : -signs.length)
  )
}
function choose(rung: Schemas['RungRead']) {
  play([midi(rung.pitch)], 1)
  emit('choose', rung.degree)
}
</script>

<template>
  <ol class="ladder" :aria-label="say('song-ladder')">
    <template v-for="rung in ladder" :key="rung.degree">
      <li>
        <button
          :class="[
            'rung',
            {
              home: resting && rung.degree.replace(/[,']/g, '') === resting,
              chosen: rung.degree === chosen,
              now: now !== null && midi(rung.pitch) === now,
            },
          ]"
          :aria-pressed="rung.degree === chosen"
          @click="choose(rung)"
        >
          <span class="degree">{{ degreeName(rung.degree, rung.pitch) }}</span><span
            class="quiet small"
            >{{ pitchName(rung.pitch) }}</span
          ><span class="small narrow quiet">{{ say('song-times', { n: rung.count }) }}</span>
        </button>
      </li>
      <li v-if="rung.below" :class="['gap', rung.below.replace(' ', '-')]">
        <span class="small narrow">{{ rung.below }}</span>
      </li>
    </template>
  </ol>
</template>

<style scoped>
.ladder {
  max-width: 260px;
}
.rung {
  display: grid;
  grid-template-columns: 1fr 44px 36px;
  width: 100%;
  align-items: center;
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 2px 12px;
  min-height: 34px;
  background: var(--sheet);
}
.rung:hover {
  background: var(--wash);
}
.rung.home {
  border-width: 2px;
  border-color: var(--dusk);
  background: var(--dusk-wash);
}
.rung.chosen {
  outline: 3px solid var(--aloe);
  outline-offset: 1px;
}
.rung.now {
  background: var(--aloe);
  color: var(--sheet);
}
.rung.now span {
  color: var(--sheet);
}
.degree {
  font-size: 18px;
  font-weight: 650;
}
.gap {
  display: flex;
  align-items: center;
  justify-content: center;
  border-left: 1px solid var(--granite);
  border-right: 1px solid var(--granite);
  margin: 0 18px;
  color: var(--granite);
  height: 22px;
}
.gap.skip {
  height: 38px;
}
.gap.leap {
  height: 54px;
}
.gap.half-step {
  height: 15px;
}
.gap.half-step span {
  font-weight: 600;
  color: var(--ink);
  line-height: 1;
}
@media (max-width: 900px) {
  .rung {
    min-height: 44px;
  }
}
</style>
