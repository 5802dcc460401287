<script setup lang="ts">
// The shelf of recorded pieces: how each is built, what can be heard in it, who heard it when.
import { mdiPlus } from '@mdi/js'
import type { Schemas } from '@/api/client'
import { bringShippedPieces, useRecordings } from '@/api/recordings'
import FormLine from '@/components/FormLine.vue'
import PageState from '@/components/PageState.vue'
import { runTime, shortDay } from '@/composables/words'
import { useTrail } from '@/composables/useTrail'
import { changesIn } from '@/locales/names'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('songs-title'), to: '/songs' }, { says: say('pieces-title') }])
const shelf = useRecordings()
function heard(one: Schemas['RecordingRead']): string {
  const last = [...one.met].sort((a, b) => (b.last ?? '').localeCompare(a.last ?? ''))[0]
  if (!last) return say('pieces-nobody')
  return say('pieces-heard', {
    n: one.met.length,
    section: last.section,
    day: last.last ? shortDay(last.last) : '',
  })
}
</script>

<template>
  <PageState v-if="!shelf.data.value" :error="shelf.error.value" @again="shelf.refetch()" />
  <div v-else class="page">
    <header class="row spread">
      <div>
        <h1>{{ say('pieces-title') }}</h1>
        <p class="quiet">{{ say('pieces-lead') }}</p>
      </div>
      <v-btn class="main" to="/pieces/new" :prepend-icon="mdiPlus">{{ say('pieces-add') }}</v-btn>
    </header>
    <div v-if="!shelf.data.value.some((one) => one.own)" class="row">
      <p class="quiet">{{ say('pieces-empty') }}</p>
      <v-btn @click="bringShippedPieces">{{ say('pieces-bring') }}</v-btn>
    </div>
    <ul>
      <li v-for="one in shelf.data.value" :key="one.id" class="piece">
        <div class="name">
          <router-link :to="`/pieces/${one.id}`"
            ><strong>{{ one.title }}</strong></router-link
          >
          <span class="small quiet"
            >{{ runTime(one.length) }}<template v-if="one.style">, {{ one.style }}</template></span
          >
        </div>
        <FormLine
          v-if="one.sections.length"
          :length="one.length"
          :sections="one.sections"
          :changes="changesIn(one.marks)"
          :label="one.title"
        />
        <p v-else class="small quiet">{{ say('pieces-not-tapped') }}</p>
        <div class="small">
          <p v-if="one.concepts.length">{{ one.concepts.map((each) => each.name).join(', ') }}</p>
          <p class="quiet">{{ heard(one) }}</p>
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.piece {
  display: grid;
  grid-template-columns: minmax(160px, 0.8fr) minmax(0, 1.6fr) minmax(180px, 1fr);
  gap: 20px;
  align-items: start;
  border-top: 1px solid var(--line);
  padding: 12px 0;
}
.name {
  display: grid;
}
@media (max-width: 900px) {
  .piece {
    grid-template-columns: 1fr;
    gap: 8px;
  }
}
</style>
