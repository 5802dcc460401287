<script setup lang="ts">
// The parts of a score: which one is looked at, whether it stands alone, and which are heard.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { lookedAt, type Variant } from '@/api/queries'
import { say } from '@/locales/say'

const variant = defineModel<Variant>({ required: true })
const alone = defineModel<boolean>('alone', { required: true })
const silent = defineModel<number[]>('silent', { required: true })
const props = defineProps<{ song: Schemas['SongRead'] }>()
const look = computed<number | null>({
  get: () => variant.value.part ?? null,
  set: (part) => {
    variant.value = lookedAt(variant.value, 'part', part)
    if (!part) alone.value = false
  },
})
function hear(part: number, on: boolean | null) {
  silent.value = on
    ? silent.value.filter((one) => one !== part)
    : [...new Set([...silent.value, part])]
}
</script>

<template>
  <div class="parts" role="group" :aria-label="say('parts-title')">
    <v-btn
      v-for="one in [{ number: null, name: say('parts-all') }, ...props.song.parts]"
      :key="one.number ?? 0"
      size="small"
      :class="{ main: look === one.number }"
      :aria-pressed="look === one.number"
      @click="look = one.number"
      >{{ one.name }}</v-btn
    >
    <v-checkbox v-model="alone" :label="say('parts-alone')" :disabled="look === null" />
    <span class="small quiet">{{ say('parts-hear') }}</span>
    <v-checkbox
      v-for="one in props.song.parts"
      :key="one.number"
      :model-value="!silent.includes(one.number)"
      :label="one.name"
      :aria-label="say('parts-hear-one', { name: one.name })"
      @update:model-value="hear(one.number, $event)"
    />
    <v-btn v-if="variant.voices || variant.beside" size="small" @click="variant = {}">{{
      say('together-back')
    }}</v-btn>
  </div>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding-bottom: 8px;
}
</style>
