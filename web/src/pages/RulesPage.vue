<script setup lang="ts">
// The numbers in the rules of the ledger: changed only after what the change would do was seen.
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api, body, type Schemas } from '@/api/client'
import { queryClient, useConcepts } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { useTrail } from '@/composables/useTrail'
import { say, sayOf } from '@/locales/say'

useTrail(() => [{ says: say('places-set-up'), to: '/set-up' }, { says: say('rules-title') }])
const read = useQuery({
  queryKey: ['ledger-rules'],
  queryFn: () => body(api.GET('/api/ledger-rules')),
})
const wanted = reactive({
  ready: 0,
  good: 0,
  newest: 0,
  weeks: 0,
  by_concept: {} as Record<string, number>,
})
watch(
  () => read.data.value,
  (now) => {
    if (!now) return
    const { ready, good, newest, weeks, by_concept } = now
    Object.assign(wanted, { ready, good, newest, weeks, by_concept: { ...by_concept } })
  },
  { immediate: true },
)
const { refused, busy, keep } = useKeep()
const would = ref<Schemas['WouldChangeRead'] | null>(null)
const kept = ref(false)
watch(wanted, () => {
  would.value = null
  kept.value = false
})
const changed = computed(() => {
  const now = read.data.value
  if (!now) return false
  const { ready, good, newest, weeks, by_concept } = now
  return JSON.stringify({ ready, good, newest, weeks, by_concept }) !== JSON.stringify(wanted)
})
const look = () =>
  keep(async () => {
    would.value = await body(api.POST('/api/ledger-rules/preview', { body: { ...wanted } }))
  })
async function take() {
  const done = await keep(async () => {
    await body(api.PUT('/api/ledger-rules', { body: { ...wanted } }))
    await queryClient.invalidateQueries()
  })
  kept.value = done
  would.value = null
}
const asShipped = () => Object.assign(wanted, read.data.value?.as_shipped, { by_concept: {} })
const concepts = useConcepts()
const more = ref<string | null>(null)
const items = computed(() =>
  (concepts.data.value ?? [])
    .filter((one) => !(one.key in wanted.by_concept))
    .map((one) => ({ value: one.key, title: one.name })),
)
const nameOf = (key: string) => concepts.data.value?.find((one) => one.key === key)?.name ?? key
function add() {
  if (more.value) wanted.by_concept[more.value] = wanted.ready
  more.value = null
}
function drop(key: string) {
  wanted.by_concept = Object.fromEntries(
    Object.entries(wanted.by_concept).filter(([other]) => other !== key),
  )
}
const numbers = (from: number, to: number, by = 1) =>
  Array.from({ length: Math.floor((to - from) / by) + 1 }, (_, n) => from + n * by)
</script>

<template>
  <PageState v-if="!read.data.value" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page rules">
    <h1>{{ say('rules-title') }}</h1>
    <p class="lead">{{ say('rules-lead') }}</p>
    <form class="stack" @submit.prevent="look">
      <p class="row rule">
        <span>{{ say('rules-good-before') }}</span><v-select
          v-model="wanted.newest"
          :items="numbers(2, 6)"
          :label="say('rules-newest')"
        /><span>{{ say('rules-good-between') }}</span
        ><v-select
          v-model="wanted.good"
          :items="numbers(1, wanted.newest)"
          :label="say('rules-good')"
        /><span>{{ say('rules-good-after') }}</span>
      </p>
      <p class="row rule">
        <span>{{ say('rules-weeks-before') }}</span><v-select
          v-model="wanted.weeks"
          :items="numbers(3, 52)"
          :label="say('rules-weeks')"
        /><span>{{ say('rules-weeks-after') }}</span>
      </p>
      <p class="row rule">
        <span>{{ say('rules-ready-before') }}</span><v-select
          v-model="wanted.ready"
          :items="numbers(50, 100, 5)"
          :label="say('rules-ready')"
        /><span>{{ say('rules-ready-after') }}</span>
      </p>
      <p v-for="(_, key) in wanted.by_concept" :key="key" class="row rule">
        <span>{{ say('rules-for', { concept: nameOf(key) }) }}</span><v-select
          v-model="wanted.by_concept[key]"
          :items="numbers(50, 100, 5)"
          :label="say('rules-ready')"
        /><v-btn size="small" height="44" @click="drop(key)">{{ say('rules-drop') }}</v-btn>
      </p>
      <p class="row rule">
        <v-autocomplete
          v-model="more"
          :items="items"
          :label="say('rules-other')"
          class="wide"
        /><v-btn height="44" :disabled="!more" @click="add">{{ say('rules-add') }}</v-btn>
      </p>
      <div class="row">
        <v-btn type="submit" class="main" height="48" :disabled="busy || !changed">{{
          say('rules-look')
        }}</v-btn><v-btn height="48" @click="asShipped">{{ say('rules-shipped') }}</v-btn>
        <span v-if="kept" role="status">✓ {{ say('rules-kept') }}</span>
      </div>
    </form>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <section v-if="would" class="stack would" role="status">
      <h2>{{ say('rules-would', { n: would.standings }) }}</h2>
      <ul>
        <li v-for="one in would.turned" :key="`${one.section}${one.concept}`">
          <strong>{{ one.section }}, {{ one.concept }}</strong
          >: {{ sayOf('ledger-answers', one.before) }} → {{ sayOf('ledger-answers', one.after) }}
        </li>
      </ul>
      <p v-if="!would.turned.length" class="quiet">{{ say('rules-nothing-turned') }}</p>
      <div class="row">
        <v-btn class="main" height="48" :disabled="busy" @click="take">{{
          say('rules-take')
        }}</v-btn><v-btn height="48" @click="would = null">{{ say('rules-not') }}</v-btn>
      </div>
    </section>
  </div>
</template>

<style scoped>
.rules {
  max-width: 860px;
  gap: 16px;
}
.rule {
  gap: 10px;
}
.rule > .v-input {
  max-width: 130px;
}
.rule > .wide {
  max-width: 320px;
}
.would {
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
}
.would ul {
  columns: 2 300px;
}
</style>
