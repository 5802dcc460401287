<script setup lang="ts">
// How this class goes about reading; kept as one changes it.
import { ref, watch } from 'vue'
import type { Routine } from '@/api/practice'
import { choices, say, sayOf } from '@/locales/say'

const props = defineProps<{ routine: Routine }>()
const emit = defineEmits<{ change: [routine: Routine] }>()
const now = ref<Required<Routine>>({ ...(props.routine as Required<Routine>) })
watch(
  () => props.routine,
  (routine) => (now.value = { ...(routine as Required<Routine>) }),
)
function set<K extends keyof Routine>(key: K, value: Required<Routine>[K]) {
  now.value = { ...now.value, [key]: value }
  emit('change', now.value)
}
const switches = ['chant', 'inside', 'again', 'models', 'spoken_rests', 'easy_end'] as const
</script>

<template>
  <div class="stack">
    <v-select
      :model-value="now.orientation"
      :label="say('practice-orientation')"
      :items="choices('practice-orientations', ['tonic', 'scale', 'none'])"
      @update:model-value="set('orientation', $event)"
    />
    <v-select
      :model-value="now.look"
      :label="say('practice-look-seconds')"
      :items="
        [0, 5, 10, 15, 20, 30, 45, 60].map((n) => ({
          value: n,
          title: say('practice-seconds', { n }),
        }))
      "
      @update:model-value="set('look', $event)"
    />
    <v-select
      :model-value="now.calls"
      :label="say('practice-calls')"
      :items="[1, 2, 3].map((n) => ({ value: n, title: say('practice-times', { n }) }))"
      @update:model-value="set('calls', $event)"
    />
    <v-checkbox
      v-for="one in switches"
      :key="one"
      :model-value="now[one]"
      :label="sayOf('practice-set', one)"
      @update:model-value="set(one, $event === true)"
    />
    <p class="small quiet">{{ say('practice-models-why') }}</p>
  </div>
</template>
