<script setup lang="ts">
// Beats a minute.
import { say } from '@/locales/say'

const tempo = defineModel<number>({ required: true })
</script>

<template>
  <v-slider
    v-model="tempo"
    class="tempo"
    :min="50"
    :max="140"
    :step="2"
    :label="say('layers-tempo', { n: tempo })"
    :aria-label="say('layers-tempo', { n: tempo })"
    hide-details
  />
</template>

<style scoped>
.tempo {
  flex: 0 1 260px;
}
</style>
