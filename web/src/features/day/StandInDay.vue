<script setup lang="ts">
// Somebody stands in: today's lessons that were given to her, each to be read on paper or taught from the screen.
import { computed } from 'vue'
import { useDay } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import { say } from '@/locales/say'
import StandInLesson from './StandInLesson.vue'

useTrail(() => [{ says: say('places-today') }])
const day = useDay()
const entries = computed(() => day.data.value?.entries ?? [])
const planned = computed(() => entries.value.some((one) => one.lesson_id))
</script>

<template>
  <PageState v-if="!day.data.value" :error="day.error.value" @again="day.refetch()" />
  <div v-else class="page">
    <header class="row spread">
      <h1>{{ say(entries.length ? 'stand-in-title' : 'stand-in-none') }}</h1>
      <v-btn v-if="planned" :href="`/api/day/print?day=${day.data.value.day}`" target="_blank">{{
        say('stand-in-print')
      }}</v-btn>
    </header>
    <p class="quiet">{{ say(entries.length ? 'stand-in-lead' : 'stand-in-ask') }}</p>
    <StandInLesson
      v-for="entry in entries"
      :key="entry.section.id + entry.starts"
      :entry="entry"
      class="lesson"
    />
  </div>
</template>

<style scoped>
.lesson {
  border-top: 1px solid var(--line);
  padding: 20px 0;
}
</style>
