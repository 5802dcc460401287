<script setup lang="ts">
// Which part of the score is sung now: that one in full, here and on the projector, the others dimmed or left out.
import { say } from '@/locales/say'
import { ALL, type Look } from './useProjector'

const look = defineModel<Look>({ required: true })
defineProps<{ parts: readonly { name: string }[] }>()
</script>

<template>
  <div class="row looks" role="group" :aria-label="say('parts-title')">
    <v-btn
      height="44"
      :class="{ main: look.part === null }"
      :aria-pressed="look.part === null"
      @click="look = ALL"
      >{{ say('parts-all') }}</v-btn
    >
    <v-btn
      v-for="({ name }, index) in parts"
      :key="index"
      height="44"
      :class="{ main: look.part === index + 1 }"
      :aria-pressed="look.part === index + 1"
      @click="look = { ...look, part: index + 1 }"
      >{{ name }}</v-btn
    >
    <v-checkbox
      :model-value="look.alone"
      :label="say('parts-alone')"
      :disabled="look.part === null"
      @update:model-value="look = { ...look, alone: !!$event }"
    />
    <span class="kbd">l</span>
  </div>
</template>

<style scoped>
.looks {
  flex-wrap: wrap;
  gap: 4px 8px;
}
</style>
