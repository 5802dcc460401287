<script setup lang="ts">
// What has not reached the server, and what it could not take: everything is here until it is settled.
import { computed } from 'vue'
import { LONG, dropRefused, outbox, send, tryRefused } from '@/api/outbox'
import { useAside, useAsideActs } from '@/api/lessons'
import { useConcepts, useSections } from '@/api/queries'
import { useTrail } from '@/composables/useTrail'
import { shortMoment } from '@/composables/words'
import { say, sayOf } from '@/locales/say'

useTrail(() => [{ says: say('outbox-title') }])
const aside = useAside(true)
const acts = useAsideActs()
const sections = useSections()
const nameOf = (id: string) => sections.data.value?.find((one) => one.id === id)?.name ?? ''
const concepts = useConcepts()
/** What is known of it in a few words: who, what, and how it went. */
function about(event: object, child: string | null = null): string {
  const what = event as Record<string, unknown>
  const concept = concepts.data.value?.find((one) => one.key === what.concept)?.name ?? ''
  const how =
    typeof what.result === 'string'
      ? sayOf('standing', what.result)
      : typeof what.tick === 'string'
        ? sayOf('lesson-was', what.tick)
        : ''
  return [child ?? '', concept, how, typeof what.note === 'string' ? `“${what.note}”` : '']
    .filter(Boolean)
    .join(', ')
}
const waiting = computed(() => outbox.kept.value.filter((one) => !one.refused))
const nothing = computed(
  () => outbox.looked.value && aside.data.value?.length === 0 && !outbox.kept.value.length,
)
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ say('outbox-title') }}</h1>
      <p class="quiet">{{ say('outbox-lead') }}</p>
    </header>
    <p v-if="nothing" class="quiet">{{ say('outbox-none') }}</p>
    <section v-if="waiting.length" class="stack">
      <div class="row spread">
        <h2>{{ say('outbox-waiting') }}</h2>
        <v-btn size="small" @click="send()">{{ say('outbox-send-now') }}</v-btn>
      </div>
      <p v-if="Date.now() - outbox.since.value > LONG">{{ say('outbox-long') }}</p>
      <p v-if="outbox.trouble.value === 'away'" class="wrong">△ {{ say('outbox-away') }}</p>
      <p v-else-if="outbox.trouble.value === 'signed-out'" class="wrong">
        △ {{ say('outbox-out') }}
      </p>
      <ul>
        <li v-for="one in waiting" :key="one.id" class="line">
          <span class="narrow">{{ shortMoment(one.event.clock) }}</span><strong>{{
            nameOf(one.event.section_id)
          }}</strong
          ><span
            >{{ sayOf('outbox-kinds', one.event.kind) }}
            <span class="quiet">{{ about(one.event) }}</span></span
          >
        </li>
      </ul>
    </section>
    <section v-if="outbox.refused.value.length" class="stack">
      <h2>{{ say('outbox-refused-title') }}</h2>
      <ul>
        <li v-for="one in outbox.refused.value" :key="one.id" class="line">
          <span class="narrow">{{ shortMoment(one.event.clock) }}</span><strong>{{
            nameOf(one.event.section_id)
          }}</strong
          ><span
            >{{ sayOf('outbox-kinds', one.event.kind) }}
            <span class="quiet">{{ about(one.event) }}</span><span class="wrong block"
              >△ {{ one.refused }}</span
            ></span
          ><span class="row"
            ><v-btn size="small" @click="tryRefused(one.id)">{{ say('outbox-again') }}</v-btn
            ><v-btn size="small" @click="dropRefused(one.id)">{{ say('outbox-drop') }}</v-btn></span
          >
        </li>
      </ul>
    </section>
    <section v-if="aside.data.value?.length" class="stack">
      <h2>{{ say('outbox-aside-title') }}</h2>
      <ul>
        <li v-for="one in aside.data.value" :key="one.id" class="line">
          <span class="narrow">{{ shortMoment(one.clock) }}</span><strong>{{
            nameOf(one.section_id)
          }}</strong
          ><span
            >{{ sayOf('outbox-kinds', one.kind) }}
            <span class="quiet">{{ about(one.body, one.child) }}</span><span class="wrong block"
              >△ {{ one.sentence }}</span
            ></span
          ><span class="row"
            ><v-btn size="small" @click="acts.again.mutate(one.id)">{{ say('outbox-again') }}</v-btn
            ><v-btn size="small" @click="acts.drop.mutate(one.id)">{{
              say('outbox-drop')
            }}</v-btn></span
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 150px 64px minmax(0, 1fr) auto;
  gap: 12px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
  align-items: baseline;
}
.block {
  display: block;
}
@media (max-width: 900px) {
  .line {
    grid-template-columns: 1fr;
    gap: 4px;
  }
}
</style>
