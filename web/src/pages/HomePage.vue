<script setup lang="ts">
// Where everybody comes in: the teacher's day, the lessons of somebody who stands in, what was made for a viewer.
import { computed } from 'vue'
import { useMe } from '@/api/queries'
import { standsIn, teaches } from '@/composables/roles'
import StandInDay from '@/features/day/StandInDay.vue'
import ViewerHome from '@/features/day/ViewerHome.vue'
import TodayPage from './TodayPage.vue'

const me = useMe()
const role = computed(() => me.data.value?.role)
</script>

<template>
  <TodayPage v-if="teaches(role)" />
  <StandInDay v-else-if="standsIn(role)" />
  <ViewerHome v-else />
</template>
