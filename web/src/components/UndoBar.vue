<script setup lang="ts">
// At the foot of the window, beside nothing and over nothing: what was just done, and the way back.
import { ref, watch } from 'vue'
import { forgetUndo, undoable } from '@/composables/useUndo'
import { say } from '@/locales/say'

const busy = ref(false)
const said = ref('')
watch(
  () => undoable.says,
  (now) => {
    if (now) said.value = ''
  },
)
async function back() {
  busy.value = true
  try {
    await undoable.back?.()
    said.value = say('undo-done')
  } catch (problem) {
    said.value = `△ ${problem instanceof Error ? problem.message : String(problem)}`
  } finally {
    forgetUndo()
    busy.value = false
  }
}
function close() {
  said.value = ''
  forgetUndo()
}
</script>

<template>
  <div class="undo" role="status">
    <p v-if="undoable.says || said" class="row spread">
      <span>{{ undoable.says || said }}</span>
      <span class="row">
        <v-btn v-if="undoable.says" size="small" :disabled="busy" @click="back">{{
          say('undo-back')
        }}</v-btn>
        <v-btn size="small" @click="close">{{ say('keys-close') }}</v-btn>
      </span>
    </p>
  </div>
</template>

<style scoped>
.undo {
  flex: none;
  order: 2;
}
p {
  background: var(--ink);
  color: var(--paper);
  padding: 6px 24px;
}
.v-btn {
  color: var(--paper);
  border-color: var(--paper);
}
.v-btn:hover {
  background: color-mix(in srgb, var(--paper) 20%, var(--ink));
}
</style>
