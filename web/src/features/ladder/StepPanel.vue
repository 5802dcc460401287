<script setup lang="ts">
// One step: its rungs exchanged, what a reading on them may hold, where it stands in the ladder.
import { mdiChevronDown, mdiChevronUp } from '@mdi/js'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { say, sayOf } from '@/locales/say'
import { exchanged, isLevel, type Rung, rungIn, STRANDS } from './steps'

const props = defineProps<{
  step: readonly string[]
  rungs: readonly Rung[]
  standing: readonly Schemas['LadderRungNowRead'][]
}>()
const emit = defineEmits<{
  change: [step: string[]]
  move: [by: number]
  after: []
  remove: []
}>()
const level = computed(() => isLevel(props.step))
const choices = (strand: Rung['strand']) =>
  props.rungs
    .filter((one) => one.strand === strand)
    .map((one) => ({ value: one.key, title: one.name }))
const of = (strand: Rung['strand']) => rungIn(props.step, strand, props.rungs)
const signs = computed(() =>
  props.rungs.filter((one) => one.strand === 'signs' && props.step.includes(one.key)),
)
function facts(rung: Rung | undefined): string {
  if (!rung) return ''
  if (rung.strand === 'rhythm')
    return say('ladder-figures', {
      figures: rung.figures.join(', '),
      meters: rung.meters.join(', '),
    })
  if (rung.strand !== 'pitch') return ''
  const skips = rung.skips.length
    ? say('ladder-skips', { skips: rung.skips.join(', ') })
    : say('ladder-steps')
  return say('ladder-tones', {
    tones: rung.tones.join(' '),
    skips,
  })
}
const sentence = (rung: Rung | undefined) =>
  props.standing.find((one) => one.key === rung?.key)?.sentence
function setSigns(keys: string[]) {
  const core = STRANDS.flatMap((strand) => of(strand)?.key ?? [])
  emit('change', [...core, ...keys])
}
</script>

<template>
  <div class="stack panel">
    <template v-if="level">
      <section v-for="strand in STRANDS" :key="strand" class="stack">
        <v-select
          :model-value="of(strand)?.key"
          :label="sayOf('ladder-strand', strand)"
          :items="choices(strand)"
          @update:model-value="emit('change', exchanged(step, of(strand)?.key, $event))"
        />
        <p v-if="facts(of(strand))" class="small quiet">{{ facts(of(strand)) }}</p>
        <p v-if="sentence(of(strand))" class="small">{{ sentence(of(strand)) }}</p>
      </section>
      <v-select
        :model-value="signs.map((one) => one.key)"
        :label="say('ladder-also')"
        :items="choices('signs')"
        multiple
        chips
        @update:model-value="setSigns"
      />
    </template>
    <p v-else>{{ say('ladder-sign-why') }}</p>
    <div class="row">
      <v-btn
        :icon="mdiChevronUp"
        :aria-label="say('sequence-up')"
        @click="emit('move', -1)"
      /><v-btn :icon="mdiChevronDown" :aria-label="say('sequence-down')" @click="emit('move', 1)" />
      <v-btn v-if="level" @click="emit('after')">{{ say('ladder-after') }}</v-btn><v-btn
        @click="emit('remove')"
        >{{ say('ladder-remove') }}</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.panel {
  gap: 16px;
}
</style>
