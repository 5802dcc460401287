<script setup lang="ts">
// Playing a song: start and stop, tempo, one phrase, over and over, its rhythm alone.
import { device } from '@/composables/useDevice'
import type { usePlayback } from '@/composables/usePlayback'
import { choices, say } from '@/locales/say'

const props = defineProps<{ player: ReturnType<typeof usePlayback>; phrases: readonly string[] }>()
const { playing, tempo, phrase, loop, rhythmOnly, tonicFirst, beatsAMinute } = props.player
function soundOn(what: string) {
  rhythmOnly.value = what === 'rhythm'
  if (what !== 'rhythm') device.instrument = what as typeof device.instrument
}
</script>

<template>
  <div class="play" role="group" :aria-label="say('play-title')">
    <v-btn :class="{ main: playing }" @click="player.turn()"
      >{{ playing ? say('play-stop') : say('play-start') }}
      <span class="kbd">{{ say('keys-space') }}</span></v-btn
    >
    <label :title="say('play-tempo', { n: beatsAMinute })"
      >{{ say('play-tempo-short', { n: beatsAMinute }) }}
      <input
        :value="beatsAMinute"
        type="range"
        min="40"
        max="200"
        step="2"
        :aria-label="say('play-tempo', { n: beatsAMinute })"
        @input="tempo = Number(($event.target as HTMLInputElement).value)"
    /></label>
    <label
      ><span class="visually-hidden">{{ say('play-what') }}</span
      ><select
        :value="phrase ?? ''"
        @change="
          phrase =
            ($event.target as HTMLSelectElement).value === ''
              ? null
              : Number(($event.target as HTMLSelectElement).value)
        "
      >
        <option value="">{{ say('play-all') }}</option>
        <option v-for="(label, index) in phrases" :key="index" :value="index">
          {{ say('play-phrase', { n: index + 1, label }) }}
        </option>
      </select></label
    >
    <label
      ><span class="visually-hidden">{{ say('play-on') }}</span
      ><select
        :value="rhythmOnly ? 'rhythm' : device.instrument"
        @change="soundOn(($event.target as HTMLSelectElement).value)"
      >
        <option
          v-for="one in choices('play-instruments', ['piano', 'bars', 'plain'])"
          :key="one.value"
          :value="one.value"
        >
          {{ one.title }}
        </option>
        <option value="rhythm">{{ say('play-rhythm') }}</option>
      </select></label
    >
    <label><input v-model="loop" type="checkbox" /> {{ say('play-loop') }}</label>
    <label><input v-model="tonicFirst" type="checkbox" /> {{ say('play-tonic-first') }}</label>
  </div>
</template>

<style scoped>
.play {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  padding-top: 10px;
}
label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  font-size: 14px;
}
input[type='range'] {
  width: 72px;
  accent-color: var(--dusk);
}
input[type='checkbox'] {
  width: 18px;
  height: 18px;
  accent-color: var(--dusk);
}
select {
  max-width: 96px;
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 4px 8px;
  min-height: 36px;
}
@media (max-width: 900px) {
  label,
  select {
    min-height: 44px;
  }
}
</style>
