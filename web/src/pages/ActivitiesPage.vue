<script setup lang="ts">
// Which activity? Every one that may be proposed, the teacher's own first; found by words, part of the lesson, grade.
import { mdiPlus } from '@mdi/js'
import { computed, ref } from 'vue'
import { useActivities, useActivityWords } from '@/api/activities'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import { say, sayOf } from '@/locales/say'

useTrail(() => [{ says: say('activities-title') }])
const shelf = useActivities()
const words = useActivityWords()
const wanted = ref('')
const role = ref<string | null>(null)
const grade = ref<number | null>(null)
const grades = [0, 1, 2, 3, 4, 5, 6, 7, 8].map((value) => ({
  value,
  title: say('grade-of', { n: value }),
}))
const shown = computed(() =>
  (shelf.data.value ?? []).filter((one) => {
    const text = `${one.title} ${one.kind}`.toLowerCase()
    const fits = grade.value === null || (one.low <= grade.value && grade.value <= one.high)
    const there = role.value === null || (one.roles as string[]).includes(role.value)
    return fits && there && text.includes(wanted.value.toLowerCase())
  }),
)
</script>

<template>
  <PageState
    v-if="!shelf.data.value || !words.data.value"
    :error="shelf.error.value ?? words.error.value"
    @again="shelf.refetch()"
  />
  <div v-else class="page">
    <header class="row spread">
      <div>
        <h1>{{ say('activities-title') }}</h1>
        <p class="quiet">{{ say('activities-lead') }}</p>
      </div>
      <v-btn class="main" to="/activities/new" :prepend-icon="mdiPlus">{{
        say('activities-write')
      }}</v-btn>
    </header>
    <div class="ask">
      <v-text-field v-model="wanted" :label="say('activities-find')" clearable />
      <v-select
        v-model="role"
        :label="say('activity-roles')"
        :items="words.data.value.roles"
        item-title="name"
        item-value="key"
        clearable
      />
      <v-select v-model="grade" :label="say('activities-grade')" :items="grades" clearable />
      <p class="quiet" role="status">{{ say('activities-shown', { n: shown.length }) }}</p>
    </div>
    <ul class="shelf">
      <li v-for="one in shown" :key="one.key" class="one">
        <router-link :to="`/activities/${one.key}`"
          ><strong>{{ one.title }}</strong></router-link
        >
        <span class="small quiet"
          >{{ one.kind }}, {{ sayOf('activity-energy', one.energy) }},
          {{ say('activities-minutes', { n: one.usual }) }}</span
        >
        <span class="row"
          ><span v-if="one.own" class="tag is-new">{{ say('activities-own') }}</span
          ><span v-if="one.noted" class="tag">{{ say('activities-noted') }}</span></span
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: minmax(180px, 1.4fr) minmax(150px, 1fr) minmax(130px, 0.8fr) max-content;
  gap: 12px;
  align-items: center;
}
.shelf {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 0 28px;
}
.one {
  display: grid;
  gap: 2px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
@media (max-width: 700px) {
  .ask {
    grid-template-columns: 1fr;
  }
}
</style>
