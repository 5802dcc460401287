<script setup lang="ts">
// A rhythm that changes one figure at a time: the class reads on, one key makes the next change.
import { computed, ref, watch } from 'vue'
import { changesOf, type Changed } from '@/api/lines'
import type { Exercise } from '@/api/practice'
import ScoreView from '@/components/ScoreView.vue'
import { useKeep } from '@/composables/useKeep'
import { tones } from '@/composables/useSound'
import { say } from '@/locales/say'

const props = defineProps<{ exercise: Exercise; sticks: boolean }>()
const emit = defineEmits<{ shown: [svg: string] }>()
const BEAT = 0.75 // seconds
const lines = ref<Changed[]>([])
const at = ref(0)
const seed = ref(1)
const { refused, keep } = useKeep()
const begin = () =>
  keep(async () => {
    lines.value = await changesOf(props.exercise.id, seed.value, props.sticks)
    at.value = 0
  })
watch(() => [props.exercise.id, props.sticks], begin, { immediate: true })
const now = computed(() => lines.value[at.value])
watch(now, (line) => emit('shown', line?.picture ?? ''), { immediate: true })
const whereIs = (beat: number) => {
  const beats = Number(props.exercise.meter.split('/')[0])
  return { bar: Math.floor(beat / beats) + 1, beat: (beat % beats) + 1 }
}
function on() {
  if (at.value + 1 < lines.value.length) at.value += 1
  else {
    seed.value += 1
    void begin()
  }
}
const hear = () =>
  tones(
    (now.value?.heard ?? []).map((one) => ({
      at: one.start * BEAT,
      seconds: one.beats * BEAT * 0.9,
      midi: one.midi,
    })),
  )
defineExpose({ on })
</script>

<template>
  <section class="changing" :aria-label="say('change-title')">
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <template v-if="now">
      <ScoreView :svg="now.picture" :label="exercise.title" />
      <p role="status" class="small quiet">
        {{ say('change-of', { n: at + 1, of: lines.length }) }}
        <template v-if="now.beat !== null">{{
          say('change-new', { ...whereIs(now.beat), figure: now.figure })
        }}</template>
      </p>
      <div class="row" data-space-through>
        <v-btn class="main" @click="on()"
          >{{ say(at + 1 < lines.length ? 'change-next' : 'change-again') }}
          <span class="kbd">{{ say('keys-space') }}</span></v-btn
        >
        <v-btn size="small" :disabled="at === 0" @click="at -= 1">{{ say('change-back') }}</v-btn>
        <v-btn size="small" @click="hear()">♪ {{ say('round-hear') }}</v-btn>
        <span class="small quiet">{{ say('change-how') }}</span>
      </div>
    </template>
  </section>
</template>

<style scoped>
.changing {
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 8px 0;
}
p {
  margin: 0;
}
</style>
