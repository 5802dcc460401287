<script setup lang="ts">
// One song through the next lessons: what must be learned of it, what is done with it each time; laid with one press.
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

const song = defineModel<string | null>('song', { required: true })
defineProps<{
  songs: readonly { id: string; title: string }[]
  plan: Schemas['FocusRead'] | undefined
  refused: string
  busy: boolean
}>()
defineEmits<{ lay: [] }>()
</script>

<template>
  <div class="stack">
    <p class="small quiet">{{ say('focus-lead') }}</p>
    <v-autocomplete
      v-model="song"
      :label="say('set-song')"
      :items="songs"
      item-title="title"
      item-value="id"
    />
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <template v-if="song && plan">
      <section class="stack">
        <h3>{{ say('focus-learn') }}</h3>
        <ul class="small">
          <li v-for="says in plan.learn" :key="says">{{ says }}</li>
        </ul>
      </section>
      <ol class="steps">
        <li v-for="step in plan.steps" :key="step.lesson">
          <span class="quiet small">{{
            say('focus-lesson', { n: step.lesson, stage: step.stage })
          }}</span>
          <p v-if="step.activity">
            <strong>{{ step.activity }}</strong>
            <span class="quiet">
              {{ step.slot }}<template v-if="step.concept">, {{ step.concept }}</template></span
            >
          </p>
          <p v-if="step.says[0]" class="small quiet">{{ step.says[0] }}</p>
        </li>
      </ol>
      <div>
        <v-btn class="main" :disabled="busy" @click="$emit('lay')">{{ say('focus-lay') }}</v-btn>
      </div>
    </template>
  </div>
</template>

<style scoped>
.steps {
  padding: 0;
  list-style: none;
}
.steps li {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
</style>
