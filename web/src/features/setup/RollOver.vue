<script setup lang="ts">
// Into the next school year: what would happen is shown first.
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

defineProps<{ steps: readonly Schemas['StepRead'][]; done: boolean; busy: boolean }>()
defineEmits<{ roll: [] }>()
</script>

<template>
  <div class="stack">
    <p class="small quiet">{{ say('roll-over-lead') }}</p>
    <details>
      <summary>{{ say('roll-over-look') }}</summary>
      <ul class="steps">
        <li v-for="step in steps" :key="step.was + step.becomes">
          <span>{{
            step.was
              ? step.becomes
                ? say('roll-over-becomes', { was: step.was, name: step.becomes })
                : say('roll-over-leaves', { was: step.was })
              : say('roll-over-begins', { name: step.becomes })
          }}</span><span class="small quiet">{{
            step.was ? say('roster-children', { n: step.children }) : ''
          }}</span>
        </li>
      </ul>
      <v-btn size="small" :disabled="busy || !steps.length" @click="$emit('roll')">{{
        say('roll-over-go')
      }}</v-btn>
    </details>
    <p v-if="done" class="secure" role="status">✓ {{ say('roll-over-done') }}</p>
  </div>
</template>

<style scoped>
summary {
  cursor: pointer;
  padding-bottom: 8px;
}
.steps {
  padding-bottom: 10px;
}
.steps li {
  display: flex;
  justify-content: space-between;
  border-top: 1px solid var(--line);
  padding: 3px 0;
}
</style>
