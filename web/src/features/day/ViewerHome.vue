<script setup lang="ts">
// Somebody who may read reports and nothing else.
import { useTrail } from '@/composables/useTrail'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('places-today') }])
</script>

<template>
  <div class="page">
    <h1>{{ say('viewer-title') }}</h1>
    <p>{{ say('viewer-none') }}</p>
  </div>
</template>
