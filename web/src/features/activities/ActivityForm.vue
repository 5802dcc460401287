<script setup lang="ts">
// An activity as the teacher writes it: what is done first, then where and for whom, then what it works on.
import { mdiClose, mdiPlus } from '@mdi/js'
import type { Schemas } from '@/api/client'
import { purposeName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'
import type { ActivityBody } from './activityBody'

const one = defineModel<ActivityBody>({ required: true })
defineProps<{
  words: Schemas['ActivityWordsRead']
  concepts: readonly { key: string; name: string }[]
  inherited: boolean
}>()
const named = (keys: readonly string[], name: (key: string) => string) =>
  keys.map((value) => ({ value, title: name(value) }))
const grades = [-1, 0, 1, 2, 3, 4, 5, 6, 7, 8, 13].map((value) => ({
  value,
  title: say('grade-of', { n: value }),
}))
const songs = named(['none', 'known', 'target', 'new'], (key) => sayOf('activity-song', key))
const energies = named(['seated', 'standing', 'moving'], (key) => sayOf('activity-energy', key))
const ways = named(['hear', 'sing', 'read', 'write', 'create'], (key) => sayOf('activity-way', key))
const purposes = (['prepare', 'present', 'practise'] as const).map((value) => ({
  value,
  title: purposeName(value),
}))
</script>

<template>
  <div class="form">
    <v-text-field v-model="one.title" :label="say('activity-title')" name="title" />
    <fieldset>
      <legend class="small quiet">{{ say('activity-steps') }}</legend>
      <div v-for="(_, n) in one.steps" :key="n" class="line">
        <v-textarea
          v-model="one.steps[n]"
          rows="1"
          auto-grow
          :label="say('activity-step', { n: n + 1 })"
        /><v-btn
          :icon="mdiClose"
          :aria-label="say('activity-drop-step', { n: n + 1 })"
          :disabled="one.steps.length < 2"
          @click="one.steps.splice(n, 1)"
        />
      </div>
      <v-btn
        size="small"
        :prepend-icon="mdiPlus"
        :disabled="one.steps.length > 7"
        @click="one.steps.push('')"
        >{{ say('activity-add-step') }}</v-btn
      >
      <p class="small quiet">{{ say('activity-braces') }}</p>
    </fieldset>
    <v-text-field v-model="one.works" :label="say('activity-works')" />
    <div class="grid">
      <v-select
        v-model="one.roles"
        multiple
        :label="say('activity-roles')"
        :items="words.roles"
        item-title="name"
        item-value="key"
        class="wide"
      />
      <v-select
        v-model="one.kind"
        :label="say('activity-kind')"
        :items="words.kinds"
        item-title="name"
        item-value="key"
      />
      <v-select v-model="one.energy" :label="say('activity-how')" :items="energies" />
      <v-select
        v-model="one.grouping"
        :label="say('activity-grouping')"
        :items="words.groupings"
        item-title="name"
        item-value="key"
      />
      <v-select v-model="one.low" :label="say('activity-from')" :items="grades" />
      <v-select v-model="one.high" :label="say('activity-to')" :items="grades" />
    </div>
    <div class="grid">
      <v-number-input v-model="one.least" :min="1" :max="60" :label="say('activity-least')" />
      <v-number-input v-model="one.usual" :min="1" :max="60" :label="say('activity-usual')" />
      <v-number-input v-model="one.most" :min="1" :max="60" :label="say('activity-most')" />
      <v-number-input v-model="one.fewest" :min="1" :max="200" :label="say('activity-fewest')" />
      <v-number-input v-model="one.at_most" :min="1" :max="200" :label="say('activity-at-most')" />
    </div>
    <div class="grid">
      <v-select v-model="one.song" :label="say('activity-needs-song')" :items="songs" />
      <v-select
        v-model="one.purposes"
        multiple
        clearable
        :label="say('activity-phases')"
        :items="purposes"
      />
      <v-autocomplete
        v-model="one.about"
        multiple
        chips
        closable-chips
        class="wide"
        :label="say('activity-about')"
        :hint="inherited ? say('activity-about-like') : ''"
        persistent-hint
        :items="concepts"
        item-title="name"
        item-value="key"
      />
      <v-number-input v-model="one.hears" :min="0" :max="40" :label="say('activity-hears')" />
      <v-select v-model="one.way" :label="say('activity-in-way')" :items="ways" />
    </div>
    <div class="grid two">
      <v-text-field v-model="one.props" :label="say('lesson-props')" />
      <v-text-field v-model="one.care" :label="say('activity-care')" />
      <v-text-field v-model="one.easier" :label="sayOf('lesson-forms', 'easier')" />
      <v-text-field v-model="one.harder" :label="sayOf('lesson-forms', 'harder')" />
      <v-text-field v-model="one.instead" :label="sayOf('lesson-forms', 'instead')" />
    </div>
    <fieldset>
      <legend class="small quiet">{{ say('activity-grows') }}</legend>
      <div v-for="(form, n) in one.forms" :key="n" class="line grow">
        <v-select
          v-model="form.stage"
          :label="say('activity-form', { n: n + 2 })"
          :items="words.stages"
          item-title="name"
          item-value="key"
        /><v-text-field v-model="form.says" :label="say('activity-form-says')" /><v-btn
          :icon="mdiClose"
          :aria-label="say('activity-drop-form', { n: n + 2 })"
          @click="one.forms?.splice(n, 1)"
        />
      </div>
      <v-btn
        size="small"
        :prepend-icon="mdiPlus"
        @click="one.forms?.push({ stage: 'lead', says: '' })"
        >{{ say('activity-add-form') }}</v-btn
      >
    </fieldset>
    <v-checkbox v-model="one.routine" :label="say('activity-routine')" />
  </div>
</template>

<style scoped>
.form,
fieldset {
  display: grid;
  gap: 14px;
}
fieldset {
  border: 0;
  padding: 0;
  justify-items: start;
}
legend {
  padding-bottom: 10px;
}
.line {
  display: grid;
  grid-template-columns: 1fr 44px;
  gap: 8px;
  width: 100%;
}
.line.grow {
  grid-template-columns: 180px 1fr 44px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 14px 12px;
}
.grid.two {
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
}
.wide {
  grid-column: span 2;
}
@media (max-width: 600px) {
  .wide {
    grid-column: auto;
  }
  .line.grow {
    grid-template-columns: 1fr 44px;
  }
}
</style>
