<script setup lang="ts">
// The tones of a song as a ladder, as stairs or as hands. A chosen tone is marked in the score, and its words are told.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { degreeName } from '@/composables/useWording'
import HandSigns from '@/features/songs/HandSigns.vue'
import ToneLadder from '@/features/songs/ToneLadder.vue'
import ToneStairs from '@/features/songs/ToneStairs.vue'
import { choices, say } from '@/locales/say'

const props = defineProps<{
  song: Schemas['SongRead']
  now: number | null
  chosen: string | null
}>()
const emit = defineEmits<{ choose: [degree: string] }>()
const as = ref<'ladder' | 'stairs' | 'hands'>('ladder')
const words = computed(() => (props.chosen ? (props.song.words[props.chosen] ?? []) : []))
</script>

<template>
  <div class="stack">
    <div class="row" role="group" :aria-label="say('insight-beside-title')">
      <v-btn
        v-for="one in choices('insight-beside', ['ladder', 'stairs', 'hands'] as const)"
        :key="one.value"
        size="small"
        :class="{ on: as === one.value }"
        :aria-pressed="as === one.value"
        @click="as = one.value"
      >
        {{ one.title }}
      </v-btn>
    </div>
    <p v-if="chosen" class="small" role="status">
      {{
        words.length
          ? say('insight-words', { tone: degreeName(chosen), words: words.join(', ') })
          : say('insight-no-words', { tone: degreeName(chosen) })
      }}
    </p>
    <ToneLadder
      v-if="as === 'ladder'"
      :ladder="song.ladder"
      :resting="song.resting_tone"
      :chosen="chosen"
      :now="now"
      @choose="emit('choose', $event)"
    />
    <ToneStairs
      v-else-if="as === 'stairs'"
      :sounds="song.sounds"
      :tone-set="song.tone_set"
      :now="now"
      :chosen="chosen"
      @choose="emit('choose', $event)"
    />
    <HandSigns v-else :sounds="song.sounds" :tone-set="song.tone_set" :now="now" />
  </div>
</template>
