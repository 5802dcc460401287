<script setup lang="ts">
// Somebody who may read reports and nothing else: whom there are reports of, by class.
import { computed } from 'vue'
import { sectionReports, useReportChildren } from '@/api/children'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('places-today') }])
const read = useReportChildren()
const classes = computed(() => {
  const found = new Map<string, { id: string; children: { id: string; name: string }[] }>()
  for (const one of read.data.value ?? []) {
    const there = found.get(one.section) ?? { id: one.section_id, children: [] }
    there.children.push(one)
    found.set(one.section, there)
  }
  return [...found]
})
</script>

<template>
  <PageState v-if="!read.data.value" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page">
    <h1>{{ say('viewer-title') }}</h1>
    <p v-if="!classes.length" class="quiet">{{ say('viewer-none') }}</p>
    <section v-for="[name, one] in classes" :key="name" class="stack">
      <h2>
        {{ name }}
        <a :href="sectionReports(one.id, 'pdf')" target="_blank" class="small">{{
          say('report-all-of')
        }}</a>
      </h2>
      <ul class="row">
        <li v-for="child in one.children" :key="child.id">
          <router-link :to="`/children/${child.id}/report`">{{ child.name }}</router-link>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
ul {
  gap: 4px 18px;
}
li {
  min-height: 32px;
}
</style>
