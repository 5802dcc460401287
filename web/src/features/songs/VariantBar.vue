<script setup lang="ts">
// Look at a song another way: in the parallel tonality, half and half, with another letter as do.
import { computed } from 'vue'
import { lookedAt, type Variant } from '@/api/queries'
import { pitchName } from '@/composables/words'
import { say, sayOf } from '@/locales/say'

const variant = defineModel<Variant>({ required: true })
const props = defineProps<{ own: { do: string | null; tonality: string } }>()
const MODES = ['dorian', 'phrygian', 'lydian', 'mixolydian'] as const
const LETTERS = ['C', 'G', 'D', 'A', 'E', 'F', 'Bb', 'Eb', 'Ab']
const other = computed(
  () =>
    ({ major: say('song-tonality-minor'), minor: say('song-tonality-major') })[props.own.tonality],
)
function change(name: 'recast' | 'do', value: string | null) {
  variant.value = lookedAt(variant.value, name, value)
}
function back() {
  variant.value = lookedAt({}, 'part', variant.value.part ?? null)
}
</script>

<template>
  <div class="variants" role="group" :aria-label="say('variant-title')">
    <v-select
      v-if="own.tonality !== 'not_established'"
      :model-value="variant.recast ?? null"
      :label="say('variant-how')"
      :items="[
        { value: null, title: say('variant-as-is') },
        ...(other
          ? [
              { value: 'parallel', title: say('variant-parallel', { name: other }) },
              { value: 'half', title: say('variant-half', { name: other }) },
            ]
          : []),
        ...MODES.filter((one) => one !== own.tonality).map((mode) => ({
          value: mode,
          title: say('variant-parallel', { name: sayOf('song-tonality', mode) }),
        })),
      ]"
      @update:model-value="change('recast', $event)"
    />
    <v-select
      :model-value="variant.do ?? null"
      :label="say('variant-do')"
      :items="[
        { value: null, title: say('variant-written', { letter: pitchName(own.do ?? '') }) },
        ...LETTERS.map((one) => ({ value: one, title: pitchName(one) })),
      ]"
      @update:model-value="change('do', $event)"
    />
    <v-btn v-if="variant.recast || variant.do" size="small" class="small" @click="back">
      {{ say('variant-back') }}
    </v-btn>
  </div>
</template>

<style scoped>
.variants {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  padding-top: 10px;
}
</style>
