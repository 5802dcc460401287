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
    <v-btn
      v-for="(layer, index) in LAYERS"
      :key="layer"
      size="small"
      :class="{ on: shown.includes(layer) && !reading }"
      :aria-pressed="shown.includes(layer) && !reading"
      :disabled="reading"
      @click="turn(layer)"
    >
      {{ sayOf('layers-names', layer) }} <span class="kbd">{{ index + 1 }}</span>
    </v-btn>
    <v-btn
      v-if="colours"
      size="small"
      :class="{ on: coloured && !reading }"
      :aria-pressed="coloured && !reading"
      :disabled="reading"
      @click="coloured = !coloured"
    >
      {{ say('layers-colours') }}
    </v-btn>
    <v-btn
      v-if="shown.includes('hands') && !reading"
      size="small"
      :aria-pressed="ownHands"
      :title="ownHands ? say('insight-own-view') : say('insight-mirrored')"
      @click="ownHands = !ownHands"
    >
      ⇆ {{ ownHands ? say('layers-own') : say('layers-mirror') }}
    </v-btn>
    <v-btn
      size="small"
      :class="['reading', { on: reading }]"
      :aria-pressed="reading"
      :title="say('layers-reading-hint')"
      @click="reading = !reading"
    >
      {{ say('layers-reading') }} <span class="kbd">r</span>
    </v-btn>
  </div>
</template>

<style scoped>
.layers {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  padding-bottom: 10px;
}
.layers .v-btn {
  min-width: 0;
  height: 34px;
  padding: 0 7px;
  font-weight: 500;
}
.layers .kbd {
  margin-left: 5px;
}
.reading {
  margin-left: auto;
}
</style>
