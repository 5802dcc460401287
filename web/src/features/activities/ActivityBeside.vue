<script setup lang="ts">
// What the teacher keeps beside an activity: a note, links as text, files.
import { mdiClose, mdiFileOutline, mdiPlus } from '@mdi/js'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import DayField from '@/components/DayField.vue'
import FileField from '@/components/FileField.vue'
import { useUnsaved } from '@/composables/useUnsaved'
import { say } from '@/locales/say'

const KINDS = '.pdf,.png,.jpg,.jpeg,.mp3,.wav,.ogg,.m4a,.flac'
const props = defineProps<{ activity: Schemas['ActivityDetail']; busy: boolean }>()
defineEmits<{ keep: [sent: Schemas['NoteBody']]; files: [files: File[]]; drop: [id: string] }>()
const note = ref('')
const links = ref('')
const dated = ref<Schemas['DatedBody'][]>([])
const grades = [-1, 0, 1, 2, 3, 4, 5, 6, 7, 8, 13].map((value) => ({
  value,
  title: say('grade-of', { n: value }),
}))
const finished = computed(() => dated.value.every((one) => one.day && one.says.trim()))
watch(
  () => props.activity,
  (now) => {
    note.value = now.note
    links.value = now.links
    dated.value = now.dated.map((one) => ({ ...one }))
  },
  { immediate: true },
)
const dirty = computed(
  () =>
    note.value !== props.activity.note ||
    links.value !== props.activity.links ||
    JSON.stringify(dated.value) !== JSON.stringify(props.activity.dated),
)
useUnsaved(dirty)
const size = (bytes: number) =>
  bytes < 1_000_000
    ? say('activity-kilobytes', { n: Math.max(1, Math.round(bytes / 1000)) })
    : say('activity-megabytes', { n: Math.round(bytes / 100_000) / 10 })
</script>

<template>
  <section class="stack">
    <h2>{{ say('activity-beside') }}</h2>
    <v-textarea v-model="note" rows="3" auto-grow :label="say('activity-note')" />
    <v-textarea v-model="links" rows="1" auto-grow :label="say('activity-links')" />
    <fieldset>
      <legend class="small quiet">{{ say('activity-dated') }}</legend>
      <div v-for="(one, n) in dated" :key="n" class="dated">
        <DayField v-model="one.day" :label="say('activity-dated-day')" /><v-select
          v-model="one.low"
          :label="say('activity-from')"
          :items="grades"
        /><v-select v-model="one.high" :label="say('activity-to')" :items="grades" />
        <v-text-field v-model="one.says" class="says" :label="say('activity-form-says')" /><v-btn
          :icon="mdiClose"
          :aria-label="say('activity-drop-dated', { n: n + 1 })"
          @click="dated.splice(n, 1)"
        />
      </div>
      <v-btn
        size="small"
        :prepend-icon="mdiPlus"
        @click="dated.push({ day: '', low: 0, high: 5, says: '' })"
        >{{ say('activity-add-dated') }}</v-btn
      >
    </fieldset>
    <div>
      <v-btn
        :disabled="busy || !dirty || !finished"
        @click="$emit('keep', { note, links, dated })"
        >{{ say('child-keep') }}</v-btn
      >
    </div>
    <ul v-if="activity.files.length" class="files">
      <li v-for="one in activity.files" :key="one.id" class="row">
        <a :href="`/api/files/${one.id}`" download
          ><v-icon :icon="mdiFileOutline" size="18" /> {{ one.name }}</a
        ><span class="small quiet">{{ size(one.size) }}</span
        ><v-btn
          size="small"
          :icon="mdiClose"
          :disabled="busy"
          :aria-label="say('activity-drop-file', { name: one.name })"
          @click="$emit('drop', one.id)"
        />
      </li>
    </ul>
    <FileField
      :label="say('activity-add-file')"
      :accept="KINDS"
      multiple
      @files="$emit('files', $event)"
    />
    <p class="small quiet">{{ say('activity-files-hint') }}</p>
  </section>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 8px;
  justify-items: start;
}
.dated {
  display: grid;
  grid-template-columns: 1.4fr 1fr 1fr 44px;
  gap: 8px;
  width: 100%;
}
.says {
  grid-column: span 3;
}
.files {
  display: grid;
  gap: 2px;
}
</style>
