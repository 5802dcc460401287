<script setup lang="ts">
// What is pressed beneath an exercise: the next one, harder, easier; while it is read also how it went.
import type { Told } from './useReading'
import { say } from '@/locales/say'

defineProps<{ reading: boolean; told: Told; busy: boolean }>()
const emit = defineEmits<{
  on: []
  clean: []
  broke: []
  next: []
  change: [to: 'harder' | 'easier']
}>()
</script>

<template>
  <div class="row acts">
    <template v-if="reading">
      <v-btn class="main" @click="emit('on')"
        >{{ say('practice-on') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <v-btn :disabled="told !== ''" @click="emit('clean')"
        >{{ told === 'clean' ? '✓ ' : '' }}{{ say('practice-clean') }}
        <span class="kbd">3</span></v-btn
      >
      <v-btn :disabled="told !== ''" @click="emit('broke')"
        >{{ told === 'broke' ? '✓ ' : '' }}{{ say('practice-broke') }}
        <span class="kbd">1</span></v-btn
      >
    </template>
    <v-btn :disabled="busy" @click="emit('next')"
      >{{ say('practice-new') }} <span class="kbd">n</span></v-btn
    >
    <v-btn :disabled="busy" @click="emit('change', 'harder')"
      >{{ say('practice-harder') }} <span class="kbd">+</span></v-btn
    >
    <v-btn :disabled="busy" @click="emit('change', 'easier')"
      >{{ say('practice-easier') }} <span class="kbd">-</span></v-btn
    >
  </div>
</template>

<style scoped>
.acts {
  gap: 8px;
}
</style>
