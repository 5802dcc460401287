<script setup lang="ts">
// The school's name, and where its days are counted.
import { computed, ref, watch } from 'vue'
import { rules } from '@/api/rules'
import { setSchool, useSchool } from '@/api/setup'
import { offerUndo } from '@/composables/useUndo'
import { clock } from '@/composables/words'
import { say } from '@/locales/say'

const school = useSchool()
const name = ref('')
const zone = ref<string | null>(null)
const said = ref('')
const refused = ref('')
const zones = [
  { title: say('school-zone-none'), value: null },
  ...Intl.supportedValuesOf('timeZone').map((title) => ({ title, value: title })),
]
watch(
  () => school.data.value,
  (found) => {
    if (found) [name.value, zone.value] = [found.name, found.time_zone]
  },
  { immediate: true },
)
const changed = computed(
  () =>
    school.data.value &&
    (name.value.trim() !== school.data.value.name || zone.value !== school.data.value.time_zone),
)
async function keep() {
  said.value = refused.value = ''
  try {
    const before = school.data.value
    const kept = await setSchool({ name: name.value.trim(), time_zone: zone.value })
    said.value = say('school-kept', { clock: clock(kept.clock) })
    if (before)
      offerUndo(say('kept-school'), () =>
        setSchool({ name: before.name, time_zone: before.time_zone }),
      )
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
</script>

<template>
  <form v-if="school.data.value" class="school" @submit.prevent="keep">
    <v-text-field
      v-model="name"
      :label="say('first-run-school')"
      :rules="rules('SchoolBody', 'name')"
      name="school-name"
    />
    <v-autocomplete
      v-model="zone"
      :items="zones"
      :label="say('school-zone')"
      :hint="say('school-zone-hint', { clock: clock(school.data.value.clock) })"
      persistent-hint
    />
    <v-btn type="submit" :disabled="!changed || !name.trim()">{{ say('school-keep') }}</v-btn>
    <p v-if="said" class="small" role="status">{{ said }}</p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
  </form>
</template>

<style scoped>
.school {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 520px;
}
.school > .v-input {
  width: 100%;
}
</style>
