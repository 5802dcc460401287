<script setup lang="ts">
// Different exercises of this kind on paper with their key, and the one that is open as a file.
import { ref } from 'vue'
import type { Exercise } from '@/api/practice'
import { say, sayOf } from '@/locales/say'

defineProps<{ exercise: Exercise | null; busy: boolean }>()
const emit = defineEmits<{ print: [count: number] }>()
const count = ref(6)
const files = ['musicxml', 'abc', 'mid'] as const
</script>

<template>
  <div class="stack">
    <p>{{ say('practice-paper-why') }}</p>
    <v-select
      v-model="count"
      :label="say('practice-paper-count')"
      :items="[1, 4, 6, 8, 12, 24, 30]"
    />
    <v-btn class="main" :disabled="busy" @click="emit('print', count)">{{
      say('practice-paper-print')
    }}</v-btn>
    <p v-if="exercise" class="row">
      <a v-for="one in files" :key="one" :href="`/api/exercises/${exercise.id}/file?kind=${one}`">{{
        sayOf('practice-file', one)
      }}</a>
    </p>
  </div>
</template>
