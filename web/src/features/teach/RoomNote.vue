<script setup lang="ts">
// One line while the lesson runs; the lesson keeps the last one that was written.
import { ref } from 'vue'
import { tell } from '@/api/outbox'
import { vFirst } from '@/composables/vFirst'
import { say } from '@/locales/say'

const props = defineProps<{ section: string; lesson: string; note: string }>()
const open = defineModel<boolean>({ required: true })
const text = ref(props.note)
async function keep() {
  const at = { section_id: props.section, lesson_id: props.lesson }
  if (await tell({ kind: 'noted', ...at, note: text.value.trim() })) open.value = false
}
</script>

<template>
  <form class="row note" @submit.prevent="keep" @keydown.esc="open = false">
    <v-text-field
      v-model="text"
      v-first
      :label="say('teach-note')"
      maxlength="300"
      autocomplete="off"
    /><v-btn type="submit" height="48">{{ say('more-keep') }}</v-btn>
  </form>
</template>

<style scoped>
.note {
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
}
</style>
