<script setup lang="ts">
// The school's name, and where its days are counted.
import { computed, ref } from 'vue'
import { rules } from '@/api/rules'
import { setSchool, useSchool } from '@/api/setup'
import { useDraft } from '@/api/drafts'
import { useKeep } from '@/composables/useKeep'
import { offerUndo } from '@/composables/useUndo'
import { clock } from '@/composables/words'
import { say } from '@/locales/say'

const school = useSchool()
const said = ref('')
const { refused, keep: keeping } = useKeep()
const { draft } = useDraft(
  () => '/school',
  () => school.data.value,
  ({ name, time_zone }) => ({ name, time_zone }),
)
const zones = [
  { title: say('school-zone-none'), value: null },
  ...Intl.supportedValuesOf('timeZone').map((title) => ({ title, value: title })),
]
const changed = computed(
  () =>
    draft.value &&
    school.data.value &&
    (draft.value.name.trim() !== school.data.value.name ||
      draft.value.time_zone !== school.data.value.time_zone),
)
async function keep() {
  said.value = ''
  await keeping(async () => {
    const before = school.data.value
    if (!draft.value) return
    const kept = await setSchool({ ...draft.value, name: draft.value.name.trim() })
    said.value = say('school-kept', { clock: clock(kept.clock) })
    if (before)
      offerUndo(say('kept-school'), () =>
        setSchool({ name: before.name, time_zone: before.time_zone }),
      )
  })
}
</script>

<template>
  <form v-if="draft && school.data.value" class="school" @submit.prevent="keep">
    <v-text-field
      v-model="draft.name"
      :label="say('first-run-school')"
      :rules="rules('SchoolBody', 'name')"
      name="school-name"
    />
    <v-autocomplete
      v-model="draft.time_zone"
      :items="zones"
      :label="say('school-zone')"
      :hint="say('school-zone-hint', { clock: clock(school.data.value.clock) })"
      persistent-hint
    />
    <v-btn type="submit" :disabled="!changed || !draft.name.trim()">{{ say('school-keep') }}</v-btn>
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
