<script setup lang="ts">
// Look at a song another way: in the parallel tonality, half and half, with another letter as do.
import { computed } from 'vue'
import type { Variant } from '@/api/queries'
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
function change(name: keyof Variant, event: Event) {
  const value = (event.target as HTMLSelectElement).value
  const rest = Object.fromEntries(Object.entries(variant.value).filter(([key]) => key !== name))
  variant.value = value ? { ...rest, [name]: value } : rest
}
</script>

<template>
  <div class="variants" role="group" :aria-label="say('variant-title')">
    <label v-if="own.tonality !== 'not_established'"
      >{{ say('variant-how') }}
      <select :value="variant.recast ?? ''" @change="change('recast', $event)">
        <option value="">{{ say('variant-as-is') }}</option>
        <template v-if="other"
          ><option value="parallel">{{ say('variant-parallel', { name: other }) }}</option>
          <option value="half">{{ say('variant-half', { name: other }) }}</option></template
        >
        <option
          v-for="mode in MODES.filter((one) => one !== own.tonality)"
          :key="mode"
          :value="mode"
        >
          {{ say('variant-parallel', { name: sayOf('song-tonality', mode) }) }}
        </option>
      </select></label
    >
    <label
      >{{ say('variant-do') }}
      <select :value="variant.do ?? ''" @change="change('do', $event)">
        <option value="">{{ say('variant-written', { letter: pitchName(own.do ?? '') }) }}</option>
        <option v-for="one in LETTERS" :key="one" :value="one">{{ pitchName(one) }}</option>
      </select></label
    >
    <button v-if="variant.recast || variant.do" class="small" @click="variant = {}">
      {{ say('variant-back') }}
    </button>
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
label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  font-size: 14px;
}
select {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 4px 8px;
  min-height: 36px;
}
@media (max-width: 900px) {
  label,
  select,
  button {
    min-height: 44px;
  }
}
</style>
