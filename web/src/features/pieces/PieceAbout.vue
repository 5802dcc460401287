<script setup lang="ts">
// What is said of a piece: its name, what to listen for, where the music is, what it is good for.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { rules } from '@/api/rules'
import { say, sayOf } from '@/locales/say'

const piece = defineModel<Schemas['RecordingBody']>({ required: true })
const props = defineProps<{
  own: boolean
  every: readonly Schemas['ConceptRead'][]
  heard: readonly Schemas['ConceptRead'][]
}>()
const TEXTS = ['title', 'question', 'style', 'place', 'rights'] as const
const texts = computed(() => TEXTS.filter((name) => name !== 'place' || !props.own))
const feels = (['two', 'three', 'four', 'swaying', 'free'] as const).map((value) => ({
  value,
  title: sayOf('pieces-feel', value),
}))
const concepts = computed(() => props.every.map((one) => ({ value: one.key, title: one.name })))
const change = (by: Partial<Schemas['RecordingBody']>) => (piece.value = { ...piece.value, ...by })
</script>

<template>
  <section class="stack">
    <h2>{{ say('pieces-about') }}</h2>
    <v-text-field
      v-for="name in texts"
      :key="name"
      :model-value="piece[name]"
      :label="sayOf('pieces-field', name)"
      :rules="rules('RecordingBody', name)"
      validate-on="blur"
      @update:model-value="change({ [name]: $event })"
    />
    <v-select
      :model-value="piece.feel"
      :label="say('pieces-felt')"
      :items="feels"
      @update:model-value="change({ feel: $event })"
    />
    <v-autocomplete
      :model-value="piece.tags"
      :label="say('pieces-good-for')"
      :items="concepts"
      multiple
      chips
      @update:model-value="change({ tags: $event })"
    />
    <p v-if="heard.length" class="small">
      {{ say('pieces-has', { names: heard.map((one) => one.name).join(', ') }) }}
    </p>
  </section>
</template>
