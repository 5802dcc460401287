<script setup lang="ts">
// The end of a lesson: what stayed open, one line for next time.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import RateButtons from '@/components/RateButtons.vue'
import { vFirst } from '@/composables/vFirst'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  parts: readonly Schemas['PartRead'][]
  busy: boolean
  /** What was written while it ran. */
  note: string
}>()
defineEmits<{
  end: [note: string]
  back: []
  rate: [part: string, rating: 'well' | 'flat', note: string]
}>()
const note = ref(props.note)
const open = computed(() => props.parts.some((part) => part.tick !== 'done'))
</script>

<template>
  <form class="end" @submit.prevent="$emit('end', note)">
    <h1>{{ say('teach-end') }}</h1>
    <ul>
      <li v-for="part in parts" :key="part.id" class="row spread">
        <span
          ><strong>{{ part.title }}</strong>
          <span class="quiet">{{ sayOf('lesson-was', part.tick ?? 'open') }}</span></span
        ><RateButtons
          v-if="part.tick === 'done' || part.tick === 'partly'"
          :title="part.title"
          :rating="part.rating"
          :why="part.why"
          @rate="(rating, note) => $emit('rate', part.id, rating, note)"
        />
      </li>
    </ul>
    <p v-if="open" class="quiet">{{ say('teach-ended') }}</p>
    <v-text-field
      v-model="note"
      v-first
      :label="say('teach-note')"
      :hint="say('teach-note-hint')"
      maxlength="300"
      persistent-hint
    />
    <div class="row">
      <v-btn type="submit" class="main" size="large" :disabled="busy">{{
        say('teach-end')
      }}</v-btn><v-btn size="large" @click="$emit('back')">{{ say('teach-previous') }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.end {
  max-width: 640px;
  display: grid;
  gap: 18px;
  padding: 40px 0;
}
li {
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
</style>
