<script setup lang="ts">
// Says that nobody answers just now, while everything that was asked is asked again.
import { useIsFetching } from '@tanstack/vue-query'
import { computed } from 'vue'
import { asOf } from '@/api/client'
import { shortMoment } from '@/composables/words'
import { say } from '@/locales/say'

/** What is shown comes from this device. */
const since = computed(() => (asOf.value ? shortMoment(new Date(asOf.value).toISOString()) : ''))
const tried = useIsFetching({ predicate: (query) => query.state.fetchFailureCount > 0 })
</script>

<template>
  <p v-if="since" class="away" role="status">△ {{ say('app-as-of', { when: since }) }}</p>
  <p v-else-if="tried" class="away" role="status">△ {{ say('app-away') }}</p>
</template>

<style scoped>
.away {
  position: fixed;
  inset: auto 0 0 0;
  z-index: 60;
  margin: 0;
  padding: 10px 16px;
  background: var(--dusk);
  color: var(--paper);
}
</style>
