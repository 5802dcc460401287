<script setup lang="ts">
// The rest of one concept of the sequence: what it needs, how it is found in music, what is shown, how a child shows it, when.
import { mdiClose } from '@mdi/js'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { rules } from '@/api/rules'
import MonthDay from '@/components/MonthDay.vue'
import { say, sayOf } from '@/locales/say'

type Row = Schemas['ConceptBody']
const row = defineModel<Row>('concept', { required: true })
const props = defineProps<{ others: readonly Row[]; traits: Record<string, string> }>()
const emit = defineEmits<{ change: []; remove: [] }>()
const ways = ['hear', 'sing', 'read', 'write', 'create'] as const
const traits = computed(() =>
  Object.entries(props.traits).map(([value, title]) => ({ value, title })),
)
/** Tones, figures, meters and sets come with the concept; what else tells it is chosen here. */
const named = computed(() => {
  const { elements, degrees, meters, tone_sets: sets, resting } = row.value
  return elements.length + degrees.length + meters.length + sets.length > 0 || !!resting
})
const foundBy = computed(() =>
  named.value
    ? 'music'
    : row.value.traits.length
      ? 'traits'
      : row.value.any_song
        ? 'any_song'
        : 'tag',
)
</script>

<template>
  <div class="more sheet">
    <div class="stack">
      <v-autocomplete
        v-model="row.needs"
        :label="say('sequence-needs')"
        :items="others.map((one) => ({ value: one.key, title: one.name }))"
        multiple
        @update:model-value="emit('change')"
      />
      <p class="small">{{ sayOf('sequence-found', foundBy) }}</p>
      <v-autocomplete
        v-if="!named"
        v-model="row.traits"
        :label="say('sequence-traits')"
        :items="traits"
        multiple
        chips
        closable-chips
        @update:model-value="emit('change')"
      />
      <v-checkbox
        v-if="!named && !row.traits.length"
        v-model="row.any_song"
        :label="say('sequence-any-song')"
        @update:model-value="emit('change')"
      />
    </div>
    <div class="stack">
      <v-text-field
        v-model="row.sign"
        :label="say('sequence-sign')"
        :rules="rules('ConceptBody', 'sign')"
        validate-on="blur"
        @update:model-value="emit('change')"
      />
      <v-text-field
        v-model="row.shown"
        :label="say('sequence-shown')"
        :rules="rules('ConceptBody', 'shown')"
        validate-on="blur"
        @update:model-value="emit('change')"
      />
      <v-text-field
        v-model="row.prompt"
        :label="say('sequence-prompt')"
        :rules="rules('ConceptBody', 'prompt')"
        validate-on="blur"
        @update:model-value="emit('change')"
      />
      <fieldset class="row">
        <legend class="small quiet">{{ say('sequence-ways') }}</legend>
        <v-checkbox
          v-for="way in ways"
          :key="way"
          v-model="row.ways"
          :label="sayOf('teach-ways', way)"
          :value="way"
          @update:model-value="emit('change')"
        />
      </fieldset>
      <v-checkbox
        v-model="row.core"
        :label="say('sequence-core')"
        @update:model-value="emit('change')"
      />
      <div class="row dates">
        <MonthDay
          v-model="row.not_before"
          :label="say('sequence-not-before')"
          :none="say('sequence-any-day')"
          @update:model-value="emit('change')"
        /><MonthDay
          v-model="row.not_after"
          :label="say('sequence-not-after')"
          :none="say('sequence-any-day')"
          @update:model-value="emit('change')"
        />
      </div>
      <div>
        <v-btn size="small" :prepend-icon="mdiClose" @click="emit('remove')">{{
          say('sequence-remove')
        }}</v-btn>
      </div>
    </div>
  </div>
</template>

<style scoped>
.dates {
  gap: 8px 24px;
}
.more {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 20px;
  padding: 14px;
  margin: 6px 0;
}
.more > .stack {
  gap: 12px;
  align-content: start;
}
.more .v-input {
  flex: none;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  gap: 4px 14px;
}
@media (max-width: 900px) {
  .more {
    grid-template-columns: 1fr;
  }
}
</style>
