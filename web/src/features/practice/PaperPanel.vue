<script setup lang="ts">
// Different exercises of this kind on paper with their key, the one that is open as a file, and empty staves.
import { computed, ref } from 'vue'
import type { Exercise, PaperForm } from '@/api/practice'
import { device } from '@/composables/useDevice'
import { choices, say, sayOf } from '@/locales/say'

defineProps<{ exercise: Exercise | null; busy: boolean }>()
const emit = defineEmits<{ print: [count: number, form: PaperForm] }>()
const count = ref(6)
const form = ref<PaperForm>('sheet')
const files = ['musicxml', 'abc', 'mid'] as const
const lines = ref(5)
const gap = ref(4)
const staves = computed(
  () => `/api/staff-paper?lines=${lines.value}&gap=${gap.value}&paper=${device.paper}`,
)
</script>

<template>
  <div class="stack">
    <p>{{ say('practice-paper-why') }}</p>
    <v-select
      v-model="form"
      :label="say('practice-paper-form')"
      :items="choices('practice-paper-forms', ['sheet', 'cards', 'complete', 'write'])"
    />
    <v-select
      v-model="count"
      :label="say('practice-paper-count')"
      :items="[1, 4, 6, 8, 12, 24, 30]"
    />
    <v-btn class="main" :disabled="busy" @click="emit('print', count, form)">{{
      say('practice-paper-print')
    }}</v-btn>
    <p v-if="exercise" class="row">
      <a v-for="one in files" :key="one" :href="`/api/exercises/${exercise.id}/file?kind=${one}`">{{
        sayOf('practice-file', one)
      }}</a>
    </p>
    <h3>{{ say('practice-staves') }}</h3>
    <div class="row">
      <v-select v-model="lines" :label="say('round-lines')" :items="[1, 2, 3, 4, 5, 6]" />
      <v-select
        v-model="gap"
        :label="say('practice-staves-gap')"
        :items="
          [2, 3, 4, 6, 8, 10, 15, 20, 30].map((n) => ({
            value: n,
            title: say('practice-mm', { n }),
          }))
        "
      />
    </div>
    <a :href="staves" target="_blank">{{ say('practice-staves-open') }}</a>
  </div>
</template>
