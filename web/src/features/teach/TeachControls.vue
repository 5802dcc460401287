<script setup lang="ts">
// On from here: back, forth, what became of this part, what else could come now.
import type { Schemas } from '@/api/client'
import { say, sayOf } from '@/locales/say'

defineProps<{
  part: Schemas['PartRead']
  next: readonly Schemas['PartRead'][]
  calm: Schemas['PartRead'] | undefined
  /** The sign and the name wait for the class's answer. */
  waits: boolean
  open: boolean
}>()
defineEmits<{
  go: [by: number]
  tick: [how: 'done' | 'partly' | 'skipped']
  swap: []
  calm: []
  note: []
  reveal: []
}>()
</script>

<template>
  <div class="row spread controls">
    <div class="row">
      <v-btn height="48" :aria-label="say('teach-previous')" @click="$emit('go', -1)">←</v-btn
      ><v-btn height="48" :aria-label="say('teach-next')" @click="$emit('go', 1)">→</v-btn>
      <v-btn v-if="next[0]" height="48" :title="say('keys-swap')" @click="$emit('swap')"
        >{{ say('teach-swap', { title: next[0].title }) }} <span class="kbd">x</span></v-btn
      ><v-btn v-if="calm && calm !== next[0]" height="48" :title="calm.title" @click="$emit('calm')"
        >{{ say('teach-calm') }} <span class="kbd">q</span></v-btn
      ><v-btn v-if="waits" height="48" :aria-pressed="open" @click="$emit('reveal')"
        >{{ open ? say('teach-hide') : say('teach-reveal') }} <span class="kbd">z</span></v-btn
      ><v-btn height="48" @click="$emit('note')"
        >{{ say('teach-write') }} <span class="kbd">,</span></v-btn
      >
    </div>
    <div class="row">
      <span v-if="part.tick" class="tag">{{ sayOf('teach-ticked', part.tick) }}</span>
      <v-btn height="48" @click="$emit('tick', 'skipped')"
        >{{ say('teach-skip') }} <span class="kbd">s</span></v-btn
      ><v-btn height="48" @click="$emit('tick', 'partly')"
        >{{ say('teach-partly') }} <span class="kbd">h</span></v-btn
      ><v-btn class="main" height="48" @click="$emit('tick', 'done')"
        >✓ {{ say('teach-done') }} <span class="kbd">d</span></v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.controls {
  gap: 8px;
}
</style>
