<script setup lang="ts">
// The screen of another device: type the number it shows; from then on it follows, until it is let go.
import { ref, watch } from 'vue'
import { endProjector, pairProjector, showFrame, useFarProjectors } from '@/api/projectors'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'
import type { Look } from './useProjector'

const props = defineProps<{ lesson: string; part: string; look: Look }>()
const open = defineModel<boolean>({ required: true })
const far = useFarProjectors()
const { refused, busy, keep } = useKeep()
const code = ref('')
const shown = () => ({
  lesson_id: props.lesson,
  part_id: props.part,
  part: props.look.part,
  alone: props.look.alone,
  open: props.look.open ?? false,
  exercise: props.look.exercise?.id ?? null,
  at: props.look.exercise?.at ?? 0,
})
async function pair() {
  const typed = code.value.replace(/\D/g, '')
  if (!(await keep(() => pairProjector({ code: typed, ...shown() })))) return
  code.value = ''
  open.value = false
}
watch(
  () => [props.part, props.look, far.data.value?.length] as const,
  ([part]) => {
    if (part) for (const one of far.data.value ?? []) void keep(() => showFrame(one.id, shown()))
  },
)
</script>

<template>
  <div v-if="open" class="far row">
    <v-form class="row" @submit.prevent="pair">
      <v-text-field
        v-model="code"
        :label="say('far-code')"
        inputmode="numeric"
        autocomplete="off"
        maxlength="7"
        autofocus
        class="code"
      />
      <v-btn type="submit" height="44" :disabled="busy || code.replace(/\D/g, '').length !== 6">{{
        say('far-pair')
      }}</v-btn>
    </v-form>
    <p v-if="refused" class="wrong small" role="alert">△ {{ refused }}</p>
    <p v-else class="small quiet">{{ say('far-where') }}</p>
    <v-btn
      v-for="one in far.data.value ?? []"
      :key="one.id"
      height="44"
      @click="endProjector(one.id)"
      >{{ say('far-end') }}</v-btn
    >
  </div>
</template>

<style scoped>
.far {
  padding-top: 6px;
  gap: 12px;
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
}
.code {
  width: 200px;
}
</style>
