<script setup lang="ts">
// Set-up: a section more, this device, signing out.
import { ref } from 'vue'
import { api, body } from '@/api/client'
import { queryClient, useMe, useSections } from '@/api/queries'
import { device } from '@/composables/useDevice'
import { useTrail } from '@/composables/useTrail'
import { emptySection } from '@/features/setup/emptySection'
import SectionForm from '@/features/setup/SectionForm.vue'
import { say } from '@/locales/en'

useTrail(() => [{ says: say.setUp.title }])
const me = useMe()
const sections = useSections()
const section = ref(emptySection())
const answer = ref('')
const refused = ref('')

async function add() {
  answer.value = refused.value = ''
  try {
    const made = await body(api.POST('/api/sections', { body: section.value }))
    answer.value = say.setUp.added(made.name)
    section.value = emptySection()
    await queryClient.invalidateQueries()
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
async function leave(everywhere: boolean) {
  await (everywhere ? api.POST('/api/sign-out-everywhere') : api.POST('/api/sign-out'))
  window.location.assign('/sign-in') // a new page forgets everything
}
</script>

<template>
  <div class="page setup">
    <section class="stack">
      <h1>{{ say.setUp.section }}</h1>
      <SectionForm v-model="section" />
      <p v-if="answer" class="secure" role="status">✓ {{ answer }}</p>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <div><v-btn class="main" :disabled="!section.name" @click="add">{{ say.setUp.add }}</v-btn></div>
    </section>
    <div class="side">
      <section class="stack">
        <h2>{{ say.setUp.screen }}</h2>
        <v-checkbox v-model="device.night" :label="say.setUp.night" />
        <v-checkbox v-model="device.keys" :label="say.setUp.keys" />
        <v-checkbox v-model="device.mine" :label="say.setUp.mine" />
        <label class="volume"><span>{{ say.setUp.volume }}</span><input v-model.number="device.volume" type="range" min="0" max="1" step="0.05" /></label>
      </section>
      <section class="stack">
        <h2>{{ say.setUp.sections }}</h2>
        <p class="row"><router-link v-for="one in sections.data.value ?? []" :key="one.id" :to="`/sections/${one.id}`" class="tag">{{ one.name }}</router-link></p>
      </section>
      <section class="stack">
        <h2>{{ say.setUp.you }}</h2>
        <p>{{ me.data.value?.name }}, {{ me.data.value?.school }}</p>
        <div class="row"><v-btn @click="leave(false)">{{ say.setUp.out }}</v-btn><v-btn @click="leave(true)">{{ say.setUp.everywhere }}</v-btn></div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.setup { display: grid; grid-template-columns: minmax(0, 1.5fr) minmax(280px, 1fr); gap: 40px; align-content: start; }
.stack { gap: 16px; }
.side { display: grid; gap: 32px; align-content: start; }
.volume { display: flex; gap: 12px; align-items: center; }
.volume input { flex: 1; accent-color: var(--dusk); }
.tag { padding: 6px 10px; text-decoration: none; }
@media (max-width: 900px) { .setup { grid-template-columns: 1fr; } }
</style>
