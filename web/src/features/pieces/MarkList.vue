<script setup lang="ts">
// Every moment that was tapped, to be moved a little or taken out.
import { mdiClose, mdiMinus, mdiPlus } from '@mdi/js'
import { runTime } from '@/composables/words'
import { say, sayOf } from '@/locales/say'
import type { Tapped } from './tapping'

const props = defineProps<{ marks: readonly Tapped[] }>()
defineEmits<{ move: [mark: Tapped, by: number]; remove: [mark: Tapped]; hear: [at: number] }>()
const NUDGE = 250
const what = (mark: Tapped) =>
  mark.section ? say('pieces-part', { letter: mark.section }) : sayOf('pieces-change', mark.change)
</script>

<template>
  <ol class="marks">
    <li v-for="(mark, n) in props.marks" :key="n" class="mark">
      <v-btn
        size="small"
        class="moment narrow"
        :aria-label="say('pieces-from-here', { at: runTime(mark.at) })"
        @click="$emit('hear', mark.at)"
        >{{ runTime(mark.at) }}</v-btn
      >
      <span>{{ what(mark) }}</span>
      <span class="row"
        ><v-btn
          :icon="mdiMinus"
          size="small"
          :aria-label="`${say('pieces-sooner')}: ${what(mark)} ${runTime(mark.at)}`"
          @click="$emit('move', mark, -NUDGE)" /><v-btn
          :icon="mdiPlus"
          size="small"
          :aria-label="`${say('pieces-later')}: ${what(mark)} ${runTime(mark.at)}`"
          @click="$emit('move', mark, NUDGE)" /><v-btn
          :icon="mdiClose"
          size="small"
          :aria-label="`${say('pieces-take-out')}: ${what(mark)} ${runTime(mark.at)}`"
          @click="$emit('remove', mark)"
      /></span>
    </li>
  </ol>
</template>

<style scoped>
.mark {
  display: grid;
  grid-template-columns: 76px 1fr auto;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 3px 0;
}
.row {
  gap: 4px;
  flex-wrap: nowrap;
}
</style>
