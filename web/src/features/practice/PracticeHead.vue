<script setup lang="ts">
// Whose practice it is, and the wall.
import { useRouter } from 'vue-router'
import { useSections } from '@/api/queries'
import { say } from '@/locales/say'

defineProps<{ id: string; section: string; wall: boolean }>()
const router = useRouter()
const sections = useSections()
const openWall = () => window.open('/practice-wall', 'kopje-practice-wall')
</script>

<template>
  <header class="row head">
    <h1>{{ say('practice-heading', { section: section }) }}</h1>
    <v-btn size="small" @click="openWall()">{{ say('practice-project') }}</v-btn>
    <span v-if="wall" class="small quiet">{{ say('practice-wall-open') }}</span>
    <v-select
      class="whose"
      :model-value="id"
      :label="say('practice-whose')"
      :items="(sections.data.value ?? []).map((one) => ({ value: one.id, title: one.name }))"
      @update:model-value="router.push(`/sections/${$event}/practice`)"
    />
  </header>
</template>

<style scoped>
.head h1 {
  flex: 1;
}
.whose {
  flex: 0 0 130px;
}
</style>
