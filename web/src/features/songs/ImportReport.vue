<script setup lang="ts">
// What became of files that were brought in: how far, a sum, and a line for each, those that were not read first.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'
import { importSum } from '@/locales/sayings'

const props = defineProps<{
  songs: readonly Schemas['ImportedRead'][]
  progress: { done: number; all: number } | null
}>()
const emit = defineEmits<{ stop: []; close: [] }>()
const refused = computed(() => props.songs.filter((one) => !one.song_id))
const already = computed(() => props.songs.filter((one) => one.already).length)
const sorted = computed(() => [...refused.value, ...props.songs.filter((one) => one.song_id)])
const became = (one: Schemas['ImportedRead']) =>
  one.song_id ? (one.already ? say('songs-already') : say('songs-added')) : say('songs-refused')
</script>

<template>
  <section
    v-if="songs.length || progress"
    class="report sheet"
    role="status"
    :aria-label="say('songs-report')"
  >
    <div class="row spread">
      <strong>{{
        importSum(songs.length - already - refused.length, already, refused.length)
      }}</strong>
      <span v-if="progress" class="row"
        ><progress
          :value="progress.done"
          :max="progress.all"
          :aria-label="say('songs-busy')"
        /><span class="small">{{
          say('songs-reading', { done: progress.done, all: progress.all })
        }}</span
        ><v-btn size="small" @click="emit('stop')">{{ say('songs-stop') }}</v-btn></span
      >
      <v-btn v-else size="small" @click="emit('close')">{{ say('songs-close') }}</v-btn>
    </div>
    <div v-for="(one, index) in sorted.slice(0, 300)" :key="index" class="line">
      <span :class="one.song_id ? 'secure' : 'wrong'"
        >{{ one.song_id ? '✓' : '△' }} {{ became(one) }}</span
      ><router-link v-if="one.song_id" :to="`/songs/${one.song_id}`">{{ one.title }}</router-link
      ><span v-else>{{ one.filename }}</span
      ><span class="small quiet"
        >{{ one.message }}
        {{ one.problems ? say('songs-problems', { n: one.problems }) : '' }}</span
      >
    </div>
  </section>
</template>

<style scoped>
.report {
  padding: 10px 16px;
  max-height: 280px;
  overflow: auto;
  flex: none;
}
.line {
  display: grid;
  grid-template-columns: 130px minmax(160px, 1fr) 1.4fr;
  gap: 12px;
  padding: 4px 0;
}
progress {
  accent-color: var(--dusk);
  width: 180px;
}
</style>
