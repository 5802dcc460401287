<script setup lang="ts">
// Whether the words sit on the beat: one sentence, and the places to look at.
import type { Schemas } from '@/api/client'

defineProps<{ found: Schemas['OnBeatRead'] }>()
</script>

<template>
  <div class="on-beat">
    <p :class="found.places.length ? '' : 'secure'">
      {{ found.places.length ? '△' : '✓' }} {{ found.sentence }}
    </p>
    <ul v-if="found.places.length" class="small">
      <li v-for="one in found.places" :key="`${one.verse}-${one.bar}-${one.kind}`">
        {{ one.message }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.on-beat {
  display: grid;
  gap: 4px;
}
</style>
