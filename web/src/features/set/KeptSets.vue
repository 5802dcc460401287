<script setup lang="ts">
// Sets kept under a name: this one is kept, another one is laid over these lessons; what does not hold here is told.
import { mdiClose } from '@mdi/js'
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

defineProps<{
  kept: readonly Schemas['KeptSetRead'][]
  dropped: readonly Schemas['ReasonRead'][] | null
  planned: boolean
  busy: boolean
}>()
const emit = defineEmits<{ keep: [name: string]; lay: [id: string]; forget: [id: string] }>()
const name = ref('')
function keep() {
  if (name.value.trim()) emit('keep', name.value.trim())
  name.value = ''
}
</script>

<template>
  <div class="stack">
    <form v-if="planned" class="stack" @submit.prevent="keep">
      <v-text-field v-model="name" maxlength="120" :label="say('kept-set-name')" />
      <div>
        <v-btn type="submit" :disabled="busy || !name.trim()">{{ say('kept-set-keep') }}</v-btn>
      </div>
    </form>
    <section v-if="kept.length" class="stack">
      <h3>{{ say('kept-set-lay-title') }}</h3>
      <p class="small quiet">{{ say('kept-set-hint') }}</p>
      <ul>
        <li v-for="one in kept" :key="one.id" class="one">
          <span
            ><strong>{{ one.name }}</strong
            ><br /><span class="small quiet"
              >{{ say('grade-of', { n: one.grade }) }},
              {{ say('kept-set-lessons', { n: one.lessons }) }}</span
            ></span
          >
          <span class="row"
            ><v-btn
              size="small"
              :disabled="busy"
              :aria-label="`${say('kept-set-lay')}: ${one.name}`"
              @click="$emit('lay', one.id)"
              >{{ say('kept-set-lay') }}</v-btn
            ><v-btn
              size="small"
              :icon="mdiClose"
              :disabled="busy"
              :aria-label="say('kept-set-forget', { name: one.name })"
              @click="$emit('forget', one.id)"
          /></span>
        </li>
      </ul>
    </section>
    <section v-if="dropped" class="stack" role="status">
      <h3>{{ dropped.length ? say('kept-set-dropped') : say('kept-set-all-held') }}</h3>
      <ul class="small">
        <li v-for="one in dropped" :key="one.sentence">{{ one.sentence }}</li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.one {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
</style>
