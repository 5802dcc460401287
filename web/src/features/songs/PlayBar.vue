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
    <span class="small tempo">{{ say('play-tempo-short', { n: beatsAMinute }) }}</span>
    <v-slider
      :model-value="beatsAMinute"
      :min="40"
      :max="200"
      :step="2"
      :aria-label="say('play-tempo', { n: beatsAMinute })"
      @update:model-value="tempo = $event"
    />
    <v-select
      :model-value="phrase"
      :label="say('play-what')"
      :items="[
        { value: null, title: say('play-all') },
        ...phrases.map((label, index) => ({
          value: index,
          title: say('play-phrase', { n: index + 1, label }),
        })),
      ]"
      @update:model-value="phrase = $event"
    />
    <v-select
      :model-value="rhythmOnly ? 'rhythm' : device.instrument"
      :label="say('play-on')"
      :items="[
        ...choices('play-instruments', ['piano', 'bars', 'plain']),
        { value: 'rhythm', title: say('play-rhythm') },
      ]"
      @update:model-value="soundOn($event)"
    />
    <v-checkbox v-model="loop" :label="say('play-loop')" />
    <v-checkbox v-model="tonicFirst" :label="say('play-tonic-first')" />
  </div>
</template>

<style scoped>
.play .v-slider {
  flex: 0 0 70px;
  margin: 0;
}
.play .v-select {
  flex: 0 1 116px;
  min-width: 104px;
}
.tempo {
  white-space: nowrap;
}
.play {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 7px;
  align-items: center;
  padding-top: 10px;
}
</style>
