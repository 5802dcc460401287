<script setup lang="ts">
// A call to echo, and what grows out of it: the same again, another end, an answer of one's own. The notes come after.
import { computed, ref, watch } from 'vue'
import type { Exercise } from '@/api/practice'
import ChoiceRow from '@/components/ChoiceRow.vue'
import { choices, say, sayOf } from '@/locales/say'

const props = defineProps<{ exercise: Exercise; calls: number }>()
/** So many times, this many bars from the beginning. */
const emit = defineEmits<{ call: [times: number, bars: number]; reveal: [] }>()
const how = ref<'same' | 'end' | 'answer'>('same')
watch(
  () => props.exercise.id,
  () => (how.value = 'same'),
)
const bars = computed(() => {
  const all = props.exercise.bars
  return { same: all, end: Math.max(all - 1, 1), answer: Math.max(Math.floor(all / 2), 1) }
})
const on = () => emit('call', how.value === 'same' ? props.calls : 1, bars.value[how.value])
defineExpose({ on })
</script>

<template>
  <div class="echo">
    <ChoiceRow
      v-model="how"
      :label="say('echo-how')"
      :items="choices('echo-hows', ['same', 'end', 'answer'])"
    />
    <p class="lead">
      {{ how === 'same' ? say('practice-echo-how', { calls }) : sayOf('echo-lead', how) }}
    </p>
    <div class="row">
      <v-btn class="main" size="large" @click="on()"
        >♪ {{ say('practice-call') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <v-btn @click="emit('reveal')">{{ say('practice-reveal') }}</v-btn>
    </div>
    <p class="small quiet">{{ say('echo-length', { bars: bars[how], of: exercise.bars }) }}</p>
  </div>
</template>

<style scoped>
.echo {
  min-height: 300px;
  display: flex;
  flex-direction: column;
  gap: 14px;
  align-items: center;
  justify-content: center;
}
.lead {
  font-size: 20px;
  text-align: center;
}
p {
  margin: 0;
}
</style>
