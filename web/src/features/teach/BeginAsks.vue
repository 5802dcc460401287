<script setup lang="ts">
// Asked once before a lesson begins that is not now, or beside another one.
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

defineProps<{ asks: string; other?: Schemas['EntryRead'] }>()
</script>

<template>
  <p v-if="asks" class="row asks" role="alert">
    <strong>△ {{ asks }}</strong>
    <span>{{ say('begin-again') }}</span>
    <router-link v-if="other?.lesson_id" :to="`/lessons/${other.lesson_id}/teach`">{{
      say('begin-go-there', { name: other.section.name })
    }}</router-link>
  </p>
</template>

<style scoped>
.asks {
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
  gap: 12px;
}
</style>
