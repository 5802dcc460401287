<script setup lang="ts">
// What stands under the notes, one switch a layer; reading hides every help.
import { LAYERS } from '@/composables/layers'
import { say, sayOf } from '@/locales/say'

const shown = defineModel<string[]>({ required: true })
const reading = defineModel<boolean>('reading', { required: true })
const coloured = defineModel<boolean>('coloured', { required: true })
const ownHands = defineModel<boolean>('ownHands', { required: true })
defineProps<{ colours: boolean }>()
const turn = (layer: string) => {
  shown.value = shown.value.includes(layer)
    ? shown.value.filter((one) => one !== layer)
    : [...shown.value, layer]
}
defineExpose({ turn })
</script>

<template>
  <div class="layers" role="group" :aria-label="say('layers-title')">
    <button
      v-for="(layer, index) in LAYERS"
      :key="layer"
      :class="{ on: shown.includes(layer) && !reading }"
      :aria-pressed="shown.includes(layer) && !reading"
      :disabled="reading"
      @click="turn(layer)"
    >
      {{ sayOf('layers-names', layer) }} <span class="kbd">{{ index + 1 }}</span>
    </button>
    <button
      v-if="colours"
      :class="{ on: coloured && !reading }"
      :aria-pressed="coloured && !reading"
      :disabled="reading"
      @click="coloured = !coloured"
    >
      {{ say('layers-colours') }}
    </button>
    <button
      v-if="shown.includes('hands') && !reading"
      :aria-pressed="ownHands"
      :title="ownHands ? say('insight-own-view') : say('insight-mirrored')"
      @click="ownHands = !ownHands"
    >
      ⇆ {{ ownHands ? say('layers-own') : say('layers-mirror') }}
    </button>
    <button
      :class="['reading', { on: reading }]"
      :aria-pressed="reading"
      :title="say('layers-reading-hint')"
      @click="reading = !reading"
    >
      {{ say('layers-reading') }} <span class="kbd">r</span>
    </button>
  </div>
</template>

<style scoped>
.layers {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  padding-bottom: 10px;
}
button {
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 4px 7px;
  min-height: 34px;
  background: var(--sheet);
  font-size: 14px;
}
button.on {
  background: var(--dusk);
  color: var(--sheet);
  border-color: var(--dusk);
}
button:disabled {
  color: var(--granite);
}
.reading {
  margin-left: auto;
}
@media (max-width: 900px) {
  button {
    min-height: 44px;
  }
}
</style>
