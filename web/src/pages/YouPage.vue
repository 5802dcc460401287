<script setup lang="ts">
// One's own password and devices, for whoever has no Set-up.
import { leave } from '@/api/adults'
import { useTrail } from '@/composables/useTrail'
import YouForm from '@/features/setup/YouForm.vue'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('places-you') }])
</script>

<template>
  <div class="page you">
    <h1>{{ say('places-you') }}</h1>
    <div>
      <v-btn @click="leave(false)">{{ say('set-up-out') }}</v-btn>
    </div>
    <YouForm />
  </div>
</template>

<style scoped>
.you {
  max-width: 560px;
}
</style>
