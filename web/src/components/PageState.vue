<script setup lang="ts">
// Loading and failed, the same everywhere. Nothing jumps when the answer comes.
import { say } from '@/locales/say'

defineProps<{ error: Error | null }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <div class="state" role="status">
    <template v-if="error">
      <p class="wrong">△ {{ say('state-failed') }} {{ error.message }}</p>
      <v-btn @click="$emit('again')">{{ say('state-again') }}</v-btn>
    </template>
    <p v-else class="quiet">{{ say('state-loading') }}</p>
  </div>
</template>

<style scoped>
.state {
  padding: 40px 24px;
  display: grid;
  gap: 14px;
  justify-items: start;
  min-height: 300px;
  align-content: start;
}
</style>
