<script setup lang="ts">
// A child on the roll: its name to display, its section, or that it left. Its marks go with it.
import { rules } from '@/api/rules'
import { ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

const props = defineProps<{
  child: { id: string; name: string }
  section: string
  sections: readonly Schemas['SectionRead'][]
  today: string
}>()
const emit = defineEmits<{ change: [body: Schemas['ChildBody']] }>()
const name = ref('')
const chosen = ref('')
watch(
  () => [props.child.id, props.section],
  () => {
    name.value = props.child.name
    chosen.value = props.section
  },
  { immediate: true },
)
</script>

<template>
  <details>
    <summary>{{ say('child-title') }}</summary>
    <form class="stack" @submit.prevent="emit('change', { name, section_id: chosen, left: null })">
      <v-text-field
        v-model="name"
        :label="say('child-name')"
        required
        :rules="rules('ChildBody', 'name')"
        validate-on="blur"
      />
      <v-select
        v-model="chosen"
        :label="say('child-section')"
        :items="sections.map((one) => ({ value: one.id, title: one.name }))"
      />
      <div class="row">
        <v-btn
          type="submit"
          size="small"
          :disabled="!name.trim() || (name === child.name && chosen === section)"
          >{{ say('child-keep') }}</v-btn><v-btn
          size="small"
          @click="emit('change', { name: child.name, section_id: section, left: today })"
          >{{ say('child-left') }}</v-btn
        >
      </div>
      <p class="small quiet">{{ say('child-stays') }}</p>
    </form>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
form {
  padding-top: 10px;
  gap: 10px;
}
</style>
