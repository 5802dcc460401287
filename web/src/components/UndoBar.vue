<script setup lang="ts">
// At the foot of the window: what was just done, and the way back. It waits until it is closed or the next thing is done.
import { computed, ref, watch } from 'vue'
import { forgetUndo, undoable } from '@/composables/useUndo'
import { say } from '@/locales/say'

const busy = ref(false)
const said = ref('')
const open = computed({
  get: () => undoable.says !== '' || said.value !== '',
  set: (shown) => {
    if (!shown) close()
  },
})
watch(
  () => undoable.says,
  () => (said.value = ''),
)
function close() {
  said.value = ''
  forgetUndo()
}
async function back() {
  busy.value = true
  try {
    await undoable.back?.()
    forgetUndo()
    said.value = say('undo-done')
  } catch (problem) {
    forgetUndo()
    said.value = `△ ${problem instanceof Error ? problem.message : String(problem)}`
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <v-snackbar v-model="open" :timeout="said ? 4000 : -1" class="undo" role="status">
    {{ said || undoable.says }}
    <template #actions>
      <v-btn v-if="undoable.back && !said" size="small" :disabled="busy" @click="back">{{
        say('undo-back')
      }}</v-btn>
      <v-btn size="small" @click="close">{{ say('keys-close') }}</v-btn>
    </template>
  </v-snackbar>
</template>
