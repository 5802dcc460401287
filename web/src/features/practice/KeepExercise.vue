<script setup lang="ts">
// An exercise that is worth keeping becomes a song of the school's book.
import { ref, watch } from 'vue'
import { keepExercise } from '@/api/lines'
import type { Exercise } from '@/api/practice'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'

const props = defineProps<{ exercise: Exercise }>()
const { refused, busy, keep } = useKeep()
const kept = ref<{ id: string; title: string } | null>(null)
watch(
  () => props.exercise.id,
  () => {
    kept.value = null
    refused.value = ''
  },
)
const act = () =>
  keep(async () => {
    const found = await keepExercise(props.exercise.id)
    if (found.song_id) kept.value = { id: found.song_id, title: found.title }
    else refused.value = found.message
  })
</script>

<template>
  <router-link v-if="kept" :to="`/songs/${kept.id}`">{{
    say('practice-kept', { title: kept.title })
  }}</router-link>
  <v-btn v-else size="small" :disabled="busy" @click="act()">{{ say('practice-keep') }}</v-btn>
  <span v-if="refused" class="wrong" role="alert">△ {{ refused }}</span>
</template>
