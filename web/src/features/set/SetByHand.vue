<script setup lang="ts">
// Something else by hand: any activity, with any song or piece it wants; and where a part goes.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

const props = defineProps<{
  activities: readonly Schemas['ActivityRead'][]
  songs: readonly { id: string; title: string }[]
  pieces: readonly { id: string; title: string }[]
  grade: number
  busy: boolean
}>()
const emit = defineEmits<{
  put: [choice: { activity: string; song_id: string | null; recording_id: string | null }]
}>()
const activity = ref<string | null>(null)
const thing = ref<string | null>(null)
const chosen = computed(() => props.activities.find((one) => one.key === activity.value))
const fitting = computed(() =>
  props.activities
    .filter((one) => one.low <= Math.min(props.grade, 8) && Math.min(props.grade, 8) <= one.high)
    .map((one) => ({ value: one.key, title: `${one.title} (${one.kind})` })),
)
const things = computed(() =>
  (chosen.value?.plays ? props.pieces : props.songs).map((one) => ({
    value: one.id,
    title: one.title,
  })),
)
const ready = computed(
  () => chosen.value && ((!chosen.value.sings && !chosen.value.plays) || thing.value),
)
watch(activity, () => {
  thing.value = null
})
function put() {
  if (!activity.value) return
  emit('put', {
    activity: activity.value,
    song_id: chosen.value?.sings ? thing.value : null,
    recording_id: chosen.value?.plays ? thing.value : null,
  })
}
</script>

<template>
  <section class="stack">
    <h3>{{ say('set-by-hand') }}</h3>
    <v-autocomplete v-model="activity" :label="say('set-activity')" :items="fitting" />
    <v-autocomplete
      v-if="chosen?.sings || chosen?.plays"
      v-model="thing"
      :label="chosen.plays ? say('set-piece') : say('set-song')"
      :items="things"
    />
    <v-btn size="small" :disabled="!ready || busy" @click="put">{{ say('set-put') }}</v-btn>
  </section>
</template>
