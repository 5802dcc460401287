<script setup lang="ts">
// Everything behind the answers, taken along as tables; and marks from a table brought in.
import { ref } from 'vue'
import { bringMarks, exported } from '@/api/children'
import type { Schemas } from '@/api/client'
import FileField from '@/components/FileField.vue'
import { useKeep } from '@/composables/useKeep'
import { say, sayOf } from '@/locales/say'

const WHAT = ['children', 'marks', 'lessons'] as const
const { refused, busy, keep } = useKeep()
const brought = ref<Schemas['BroughtRead'] | null>(null)
async function bring(files: readonly File[]) {
  const [file] = files
  brought.value = null
  if (file) await keep(async () => (brought.value = await bringMarks(file)))
}
</script>

<template>
  <section class="stack along">
    <h2>{{ say('along-title') }}</h2>
    <p>
      <router-link to="/ledger-rules">{{ say('rules-title') }}</router-link>
    </p>
    <p v-for="what in WHAT" :key="what" class="row">
      <span class="what">{{ sayOf('along-what', what) }}</span>
      <a :href="exported(what, 'csv')" download>CSV</a>
      <a :href="exported(what, 'json')" download>JSON</a>
    </p>
    <FileField :label="say('along-bring')" accept=".csv,.json,.jsonl" @files="bring" />
    <p class="small quiet">{{ say('along-how') }}</p>
    <p v-if="busy" role="status">{{ say('along-busy') }}</p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <div v-if="brought" role="status" class="stack">
      <p>
        ✓ {{ say('along-brought', { n: brought.taken, known: brought.known }) }}
        <template v-if="brought.withdrawn">{{
          say('along-withdrawn', { n: brought.withdrawn })
        }}</template>
      </p>
      <ul v-if="brought.problems.length" class="small">
        <li v-for="one in brought.problems.slice(0, 30)" :key="one.line">
          {{ say('along-line', { n: one.line }) }} {{ one.sentence }}
        </li>
        <li v-if="brought.problems.length > 30">
          {{ say('along-more', { n: brought.problems.length - 30 }) }}
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.along {
  border-top: 1px solid var(--line);
  padding-top: 16px;
  gap: 8px;
  max-width: 640px;
}
.what {
  min-width: 110px;
}
</style>
