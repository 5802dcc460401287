<script setup lang="ts">
// A child on the roll: its name to display, its section, or that it left. Its marks go with it.
import { rules } from '@/api/rules'
import { ref, watch } from 'vue'
import { eraseChild, everythingOf } from '@/api/privacy'
import { useMe } from '@/api/queries'
import { useKeep } from '@/composables/useKeep'
import { shortDay, shortMoment } from '@/composables/words'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

const props = defineProps<{
  child: { id: string; name: string }
  section: string
  sections: readonly Schemas['SectionRead'][]
  today: string
}>()
const emit = defineEmits<{ change: [body: Schemas['ChildBody']]; erased: [] }>()
const me = useMe()
const { refused, busy, keep } = useKeep()
const erasing = ref(false)
const gone = ref<Schemas['GoneRead'] | null>(null)
async function erase() {
  if (!erasing.value) {
    erasing.value = true
    return
  }
  erasing.value = false
  await keep(async () => (gone.value = await eraseChild(props.child.id)))
}
const name = ref('')
const chosen = ref('')
watch(
  () => [props.child.id, props.section],
  () => {
    name.value = props.child.name
    chosen.value = props.section
    erasing.value = false
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
    <div class="stack all">
      <p class="small">
        {{ say('child-everything') }}
        <a :href="everythingOf(child.id, 'html')" download>{{ say('child-page') }}</a>,
        <a :href="everythingOf(child.id, 'json')" download>{{ say('child-json') }}</a>
      </p>
      <template v-if="me.data.value?.role === 'owner' && !gone">
        <p v-if="erasing" class="small">△ {{ say('child-erase-what') }}</p>
        <div class="row">
          <v-btn size="small" :disabled="busy" @click="erase">{{
            erasing ? say('child-erase-sure', { name: child.name }) : say('child-erase')
          }}</v-btn><v-btn v-if="erasing" size="small" @click="erasing = false">{{
            say('privacy-end-not')
          }}</v-btn>
        </div>
      </template>
      <p v-if="refused" class="wrong small" role="alert">△ {{ refused }}</p>
      <div v-if="gone" class="stack small" role="status">
        <p>● {{ say('child-erased') }}</p>
        <p v-if="gone.backups.length">
          {{
            say('privacy-still-in', { days: gone.backups.map((at) => shortMoment(at)).join('; ') })
          }}
        </p>
        <p v-if="gone.notes.length">
          {{ say('child-notes') }}
          <router-link
            v-for="one in gone.notes"
            :key="one.lesson_id"
            :to="`/lessons/${one.lesson_id}`"
            >{{ shortDay(one.day) }}</router-link
          >
        </p>
        <div class="row">
          <v-btn size="small" @click="emit('erased')">{{ say('child-erased-close') }}</v-btn>
        </div>
      </div>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
form,
.all {
  padding-top: 10px;
  gap: 10px;
}
</style>
