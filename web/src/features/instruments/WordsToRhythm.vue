<script setup lang="ts">
// Native: each proposal is pressed whole.
// A sentence becomes a layer: its syllables on boxes, the best rhythm first, each with why.
import { ref } from 'vue'
import { type Layer, rhythmOf, type Speech } from '@/api/instruments'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'
import { FINE, read } from './loop'

const props = defineProps<{ section: string; meter: string; full: boolean }>()
const emit = defineEmits<{ take: [layer: Layer] }>()
const words = ref('')
const found = ref<Speech | null>(null)
const { refused, busy, keep } = useKeep()
const ask = () =>
  keep(async () => {
    found.value = null
    found.value = await rhythmOf(props.section, words.value, props.meter)
  })
const syllables = (speech: Speech) => speech.syllables.map((one) => one.text)
function take(rhythm: string[]) {
  if (!found.value) return
  emit('take', {
    ...{ name: words.value.trim().slice(0, 40), family: 'speech', rhythm, strokes: [] },
    ...{ enters_bar: 1, words: syllables(found.value) },
  })
  found.value = null
  words.value = ''
}
/** Where each sound lies, in shares of the whole. */
function drawn(rhythm: string[], speech: Speech) {
  const loop = read(rhythm)
  return loop.sounds.map((one, n) => ({
    left: `${(100 * one.start) / loop.length}%`,
    width: `${(100 * one.length) / loop.length}%`,
    text: speech.syllables[n]?.text ?? '',
    stressed: speech.syllables[n]?.stressed ?? false,
  }))
}
const beatsOf = (rhythm: string[]) => read(rhythm).length / FINE
</script>

<template>
  <form class="row ask" @submit.prevent="ask()">
    <v-text-field v-model="words" :label="say('words-label')" maxlength="400" class="words" />
    <v-btn type="submit" :disabled="!words.trim() || busy">{{ say('words-ask') }}</v-btn>
  </form>
  <p v-if="refused" class="refused small" role="alert">△ {{ refused }}</p>
  <div v-if="found" class="found">
    <p class="small quiet">{{ say('words-pick') }}</p>
    <button
      v-for="(one, n) in found.proposals"
      :key="n"
      class="proposal"
      :disabled="full"
      @click="take(one.rhythm)"
    >
      <span class="line" :style="{ backgroundSize: `${100 / beatsOf(one.rhythm)}% 100%` }">
        <span
          v-for="(sound, at) in drawn(one.rhythm, found)"
          :key="at"
          :class="['sound', { stressed: sound.stressed }]"
          :style="{ left: sound.left, width: sound.width }"
          ><span class="narrow">{{ sound.text }}</span></span
        >
      </span>
      <span class="small why">{{ one.why }}</span>
    </button>
  </div>
</template>

<style scoped>
.ask {
  gap: 10px;
  padding: 8px 0;
}
.words {
  flex: 1;
}
.found {
  display: grid;
  gap: 6px;
}
.found p {
  margin: 0;
}
.proposal {
  display: grid;
  gap: 2px;
  padding: 6px 8px;
  text-align: left;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: var(--ink);
}
.proposal:hover,
.proposal:focus-visible {
  border-color: var(--aloe);
}
.line {
  position: relative;
  height: 34px;
  background-image: linear-gradient(to right, var(--granite) 1px, transparent 1px);
  border-right: 1px solid var(--granite);
}
.sound {
  position: absolute;
  top: 5px;
  height: 24px;
  padding: 0 4px;
  overflow: hidden;
  white-space: nowrap;
  font-size: 14px;
  line-height: 24px;
  border: 1px solid var(--granite);
  border-radius: 10px 0 0 10px;
  background: var(--wash);
}
.sound.stressed {
  border-width: 2px;
  border-color: var(--ink);
  font-weight: 700;
}
.why {
  color: var(--granite);
}
.refused {
  color: var(--aloe);
  margin: 0;
}
</style>
