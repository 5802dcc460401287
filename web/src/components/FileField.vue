<script setup lang="ts">
// One file to be read: chosen or dropped here.
import { mdiFileUploadOutline } from '@mdi/js'
import { ref } from 'vue'

defineProps<{ label: string; accept: string; multiple?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()
const chosen = ref<File[]>([])
function take(given: File | File[] | null) {
  const files = given === null ? [] : Array.isArray(given) ? given : [given]
  if (files.length) emit('files', files)
  chosen.value = [] // the same file may be chosen again
}
</script>

<template>
  <v-file-input
    :model-value="chosen"
    class="file-field"
    :label="label"
    :accept="accept"
    :multiple="multiple"
    :prepend-icon="''"
    :prepend-inner-icon="mdiFileUploadOutline"
    @update:model-value="take"
  />
</template>

<style scoped>
.file-field {
  min-width: 240px;
}
</style>
