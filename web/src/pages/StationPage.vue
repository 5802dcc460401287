<script setup lang="ts">
// A station: one child or a pair on a device of its own, with one round of questions or some lines to read. No names, no marks, and
// nothing else to press.
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Offer } from '@/api/practice'
import { useDay } from '@/api/queries'
import StationReading from '@/features/practice/StationReading.vue'
import StationRound from '@/features/practice/StationRound.vue'

defineProps<{ id: string }>()
const route = useRoute()
const day = useDay()
const today = computed(() => day.data.value?.today ?? '')
const due = computed(() => route.query.due?.toString() ?? '')
const sort = computed(() => (route.query.sort?.toString() ?? 'rhythm') as Offer['sort'])
const look = computed(() => Number(route.query.look ?? 20) || 0)
</script>

<template>
  <main class="station">
    <StationReading v-if="due" :id="id" :sort="sort" :due="due" :look="look" :today="today" />
    <StationRound v-else :id="id" :today="today" />
  </main>
</template>

<style scoped>
.station {
  min-height: 100vh;
  padding: 3vh 5vw;
  background: var(--paper);
  display: flex;
  flex-direction: column;
  gap: 16px;
}
</style>
