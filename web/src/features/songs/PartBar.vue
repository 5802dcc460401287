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
function hear(part: number, on: boolean) {
  silent.value = on
    ? silent.value.filter((one) => one !== part)
    : [...new Set([...silent.value, part])]
}
</script>

<template>
  <div class="parts" role="group" :aria-label="say('parts-title')">
    <v-btn
      size="small"
      :class="{ main: look === null }"
      :aria-pressed="look === null"
      @click="look = null"
      >{{ say('parts-all') }}</v-btn
    >
    <span v-for="one in props.song.parts" :key="one.number" class="part">
      <v-btn
        size="small"
        :class="{ main: look === one.number }"
        :aria-pressed="look === one.number"
        @click="look = one.number"
        >{{ one.name }}</v-btn><v-btn
        size="small"
        class="heard"
        :class="{ off: silent.includes(one.number) }"
        :aria-pressed="!silent.includes(one.number)"
        :aria-label="say('parts-hear-one', { name: one.name })"
        :title="say('parts-hear-one', { name: one.name })"
        @click="hear(one.number, silent.includes(one.number))"
        >{{ silent.includes(one.number) ? '–' : '♪' }}</v-btn
      >
    </span>
    <v-checkbox v-model="alone" :label="say('parts-alone')" :disabled="look === null" />
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
.part {
  display: inline-flex;
  flex-wrap: nowrap;
}
.heard {
  min-width: 44px;
  padding-inline: 0;
  margin-left: -1px;
}
.heard.off {
  color: var(--granite);
}
</style>
