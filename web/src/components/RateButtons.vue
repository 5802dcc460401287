<script setup lang="ts">
// How a part went: well or flat, and once that is said, why. Told by a sign and a word, never by colour alone.
import { ref, watch } from 'vue'
import { say } from '@/locales/say'

const props = defineProps<{ title: string; rating: 'well' | 'flat' | null; why: string }>()
const emit = defineEmits<{ rate: [rating: 'well' | 'flat', note: string] }>()
const faces = [
  { key: 'well', sign: '▲', says: say('rate-well') },
  { key: 'flat', sign: '▽', says: say('rate-flat') },
] as const
const note = ref(props.why)
watch(
  () => [props.title, props.why],
  () => (note.value = props.why),
)
function told() {
  if (props.rating && note.value.trim() !== props.why) emit('rate', props.rating, note.value.trim())
}
</script>

<template>
  <span class="row rate">
    <v-btn
      v-for="one in faces"
      :key="one.key"
      size="small"
      height="44"
      :aria-pressed="rating === one.key"
      :class="{ said: rating === one.key }"
      :aria-label="`${title}: ${one.says}`"
      @click="emit('rate', one.key, note.trim())"
      >{{ one.sign }} {{ one.says }}</v-btn
    >
    <v-text-field
      v-if="rating"
      v-model="note"
      class="why"
      :label="say('rate-why')"
      :aria-label="`${title}: ${say('rate-why')}`"
      density="compact"
      maxlength="200"
      hide-details
      @blur="told"
      @keydown.enter.prevent="told"
    />
  </span>
</template>

<style scoped>
.rate {
  gap: 6px;
  flex-wrap: wrap;
}
.why {
  flex: 1 1 180px;
  min-width: 180px;
}
.said {
  background: var(--dusk-wash);
  border-width: 2px;
}
</style>
