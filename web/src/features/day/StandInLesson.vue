<script setup lang="ts">
// One lesson of somebody who stands in: when, with whom, what is in it, and the way to teach it.
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useLesson } from '@/api/lessons'
import { outbox, tell } from '@/api/outbox'
import LessonContour from '@/components/LessonContour.vue'
import { lessonNow, startedNow } from '@/features/teach/lessonNow'
import { clock } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{ entry: Schemas['EntryRead'] }>()
const router = useRouter()
const id = computed(() => props.entry.lesson_id ?? '')
const read = useLesson(id)
const lesson = computed(() => read.data.value && lessonNow(read.data.value, outbox.kept.value))
const fetched = computed(() => [
  ...new Set((lesson.value?.parts ?? []).map((one) => one.props).filter(Boolean)),
])
async function teach() {
  if (lesson.value?.state === 'planned') await tell(startedNow(lesson.value))
  await router.push(`/lessons/${id.value}/teach`)
}
</script>

<template>
  <section class="stack">
    <div class="row spread">
      <h2>
        <span class="narrow quiet">{{ clock(entry.starts) }}</span> {{ entry.section.name }}
      </h2>
      <div v-if="lesson" class="row">
        <v-btn :href="`/api/lessons/${id}/print`" target="_blank">{{
          say('set-print')
        }}</v-btn><v-btn class="main" @click="teach">{{
          say(lesson.state === 'running' ? 'today-go-on' : 'today-teach')
        }}</v-btn>
      </div>
    </div>
    <p v-if="!id" class="quiet">{{ say('stand-in-no-plan') }}</p>
    <p v-else-if="!lesson" class="quiet" role="status">
      {{ read.error.value?.message ?? say('state-loading') }}
    </p>
    <template v-else>
      <LessonContour :blocks="lesson.parts" :height="64" />
      <ol class="parts">
        <li v-for="part in lesson.parts" :key="part.id">
          <span class="narrow minutes">{{ part.minutes }}</span>
          <span
            ><strong>{{ part.title }}</strong
            ><span v-if="part.song" class="quiet"> · {{ part.song.title }}</span></span
          >
        </li>
      </ol>
      <p v-if="fetched.length">
        <strong>{{ say('today-fetch') }}</strong> {{ fetched.join('; ') }}
      </p>
    </template>
  </section>
</template>

<style scoped>
h2 .narrow {
  margin-right: 12px;
}
.parts {
  columns: 330px auto;
  column-gap: 24px;
}
.parts li {
  break-inside: avoid;
  padding: 2px 0;
  display: grid;
  grid-template-columns: 28px 1fr;
  gap: 8px;
}
.minutes {
  text-align: right;
  color: var(--granite);
}
</style>
