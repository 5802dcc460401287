<script setup lang="ts">
// Where everybody comes in: the teacher's day, the lessons of somebody who stands in, what was made for a viewer.
import { computed, defineAsyncComponent } from 'vue'
import { useMe } from '@/api/queries'
import { standsIn, teaches } from '@/composables/roles'
import TodayPage from './TodayPage.vue'

// Seldom somebody else than a teacher: the first page is light without these.
const StandInDay = defineAsyncComponent(() => import('@/features/day/StandInDay.vue'))
const ViewerHome = defineAsyncComponent(() => import('@/features/day/ViewerHome.vue'))

const me = useMe()
const role = computed(() => me.data.value?.role)
</script>

<template>
  <TodayPage v-if="teaches(role)" />
  <StandInDay v-else-if="standsIn(role)" />
  <ViewerHome v-else />
</template>
