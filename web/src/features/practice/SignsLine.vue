<script setup lang="ts">
// Silent signs, one tone at a press: this line; a row of few tones, one more each time it was clean; or a child leads with that set.
// What it was comes after, never with it.
import { computed, ref, watch } from 'vue'
import { nextSigns, type Signs } from '@/api/lines'
import type { Exercise } from '@/api/practice'
import ChoiceRow from '@/components/ChoiceRow.vue'
import WallLadder from '@/components/WallLadder.vue'
import { useKeep } from '@/composables/useKeep'
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { choices, say } from '@/locales/say'
import CountIt from './CountIt.vue'
import HandAt from './HandAt.vue'

const props = defineProps<{ exercise: Exercise; section: string; today: string }>()
const emit = defineEmits<{ reveal: []; hand: [degree: string, among: string[]] }>()
const how = ref<'line' | 'wider' | 'child'>('line')
const row = ref<Signs | null>(null)
const at = ref(-1)
const told = ref(false) // what was signed, shown once it is over
const { refused, busy, keep } = useKeep()
const line = computed(() => props.exercise.sounds[0]?.flatMap((one) => one.degree ?? []) ?? [])
const tones = computed(() =>
  how.value === 'line' ? line.value : (row.value?.row.map((one) => one.degree) ?? []),
)
const among = computed(() =>
  how.value === 'line' ? line.value : (row.value?.tones.map((one) => one.degree) ?? []),
)
const over = computed(() => at.value >= tones.value.length)
const now = computed(() => (how.value === 'child' ? '' : (tones.value[at.value] ?? '')))
watch([now, among], () => emit('hand', now.value, among.value), { immediate: true })
watch(
  () => [props.exercise.id, how.value],
  () => {
    at.value = -1
    told.value = false
    if (how.value !== 'line' && !row.value) void go('begin')
  },
)
const go = (went: 'begin' | 'clean' | 'broke') =>
  keep(async () => {
    const size = row.value?.size ?? 0
    const seed = Date.now() % 2_000_000_000
    row.value = await nextSigns(props.section, { size, went, seed })
    at.value = -1
    told.value = false
  })
function on() {
  if (how.value === 'child') return
  if (!over.value) at.value += 1
  else if (how.value === 'line') emit('reveal')
  else if (told.value) void go('clean')
  else told.value = true
}
const ladder = computed(() => {
  const low = row.value?.tones[0]?.midi ?? 0
  return (row.value?.tones ?? []).map((one) => ({
    ...{ tone: one.degree, says: degreeName(one.degree), height: one.midi - low },
    new: false,
  }))
})
const hear = () => play((row.value?.row ?? []).map((one) => one.midi))
defineExpose({ on })
</script>

<template>
  <div class="signs">
    <ChoiceRow
      v-model="how"
      :label="say('signs-how')"
      :items="choices('signs-hows', ['line', 'wider', 'child'])"
    />
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <template v-if="how === 'child' && row">
      <WallLadder :rungs="ladder" class="ladder" />
      <p class="quiet">{{ say('signs-child') }}</p>
    </template>
    <template v-else>
      <HandAt v-if="!told" :degree="now" :among="among" class="hand" />
      <p v-if="at < 0" class="quiet">{{ say('practice-signs-how') }}</p>
      <p v-else-if="over && told && row" class="row-told">
        {{ row.row.map((one) => degreeName(one.degree)).join(' ') }}
      </p>
      <p v-else-if="over">{{ say('practice-signs-over') }}</p>
      <p v-else class="quiet">{{ say('practice-sign-of', { n: at + 1, all: tones.length }) }}</p>
      <v-btn v-if="how === 'line' || !told" class="main" @click="on()"
        >{{
          !over
            ? say('practice-sign-next')
            : how === 'line'
              ? say('practice-reveal')
              : say('signs-tell')
        }}
        <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
    </template>
    <div v-if="how !== 'line' && row && (told || how === 'child')" class="row">
      <v-btn class="main" :disabled="busy" @click="go('clean')">{{
        row.size < row.most ? say('signs-clean') : say('signs-clean-all')
      }}</v-btn>
      <v-btn :disabled="busy" @click="go('broke')">{{ say('signs-broke') }}</v-btn>
      <v-btn v-if="told" size="small" @click="hear()">♪ {{ say('round-hear') }}</v-btn>
      <CountIt
        v-if="told && row.concept"
        :section="section"
        :today="today"
        :concept="row.concept"
        :name="row.concept_name"
        way="sing"
        help="none"
        result="secure"
      />
    </div>
    <p v-if="how !== 'line' && row" class="small quiet">
      {{
        say('signs-set', {
          tones: row.tones.map((one) => degreeName(one.degree)).join(', '),
          ...{ size: row.size, most: row.most },
        })
      }}
    </p>
  </div>
</template>

<style scoped>
.signs {
  min-height: 300px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: center;
  justify-content: center;
}
.hand {
  height: 240px;
}
.ladder {
  height: 300px;
}
p {
  margin: 0;
}
.row-told {
  font-size: 34px;
  font-weight: 600;
  padding: 60px 0;
}
</style>
