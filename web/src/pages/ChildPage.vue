<script setup lang="ts">
// A child: how far it is in each strand over the year, what comes next, what nobody heard, and the marks behind it.
import { computed, ref, watch } from 'vue'
import { careFor, useChild } from '@/api/children'
import type { Schemas } from '@/api/client'
import PageState from '@/components/PageState.vue'
import StandingGlyph from '@/components/StandingGlyph.vue'
import { useKeep } from '@/composables/useKeep'
import { useTrail } from '@/composables/useTrail'
import { capital, shortDay } from '@/composables/words'
import StrataView from '@/features/ledger/StrataView.vue'
import { gradesName, standingName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ id: string }>()
const read = useChild(() => props.id)
const child = computed(() => read.data.value)
useTrail(() =>
  child.value
    ? [
        { says: gradesName(child.value.section) },
        { says: child.value.section.name, to: `/sections/${child.value.section.id}` },
        { says: say('ledger-title'), to: `/sections/${child.value.section.id}/ledger` },
        { says: child.value.name },
      ]
    : [],
)
const LEVELS = ['secure', 'once', 'nearly', 'not_yet'] as const
const byLevel = computed(() =>
  LEVELS.map((level) => ({
    level,
    found: (child.value?.standings ?? []).filter((one) => one.level === level),
  })).filter((one) => one.found.length),
)
const FIRST = 12
const all = ref(false)
const marks = computed(() => (all.value ? child.value?.marks : child.value?.marks.slice(0, FIRST)))
const how = ref('')
const touch = ref(false)
const alone = ref(false)
watch(
  child,
  (now) => {
    how.value = now?.say ?? ''
    touch.value = now?.without.includes('touch') ?? false
    alone.value = now?.without.includes('alone') ?? false
  },
  { immediate: true },
)
const { refused, busy, keep } = useKeep()
const kept = ref(false)
async function keepCare() {
  const without: Schemas['CareBody']['without'] = [
    ...(touch.value ? (['touch'] as const) : []),
    ...(alone.value ? (['alone'] as const) : []),
  ]
  kept.value = await keep(() => careFor(props.id, { say: how.value.trim(), without }))
}
</script>

<template>
  <PageState v-if="!child" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page child">
    <header class="row spread">
      <div>
        <h1>{{ child.name }}</h1>
        <p class="quiet">
          {{ child.section.name
          }}<template v-for="choir in child.choirs" :key="choir.id">, {{ choir.name }}</template
          ><template v-if="child.say"> · “{{ child.say }}”</template>
        </p>
      </div>
      <div class="row">
        <v-btn class="main" :to="`/children/${id}/report`">{{ say('report-title') }}</v-btn>
      </div>
    </header>
    <p class="step">
      <strong>{{ say('child-next') }}</strong> {{ child.step }}
    </p>
    <div class="columns">
      <section class="stack">
        <h2>{{ say('child-growth') }}</h2>
        <StrataView v-if="child.strata.length" :strata="child.strata" :days="child.days" />
        <p v-else class="quiet">{{ say('ledger-no-marks') }}</p>
        <p class="row legend small">
          <span v-for="level in LEVELS" :key="level" class="row"
            ><StandingGlyph :level="level" :size="16" plain />{{ standingName(level) }}</span
          >
        </p>
      </section>
      <section class="stack">
        <h2>{{ say('child-stands') }}</h2>
        <div v-for="group in byLevel" :key="group.level">
          <p class="row level">
            <StandingGlyph :level="group.level" :size="20" plain /><strong>{{
              capital(standingName(group.level))
            }}</strong>
          </p>
          <p>
            <template v-for="(one, index) in group.found" :key="one.concept.key"
              ><template v-if="index">, </template
              ><span :title="one.sentence"
                >{{ one.concept.name }}<template v-if="one.due"> ({{ say('child-due') }})</template
                ><template v-if="one.word"> ({{ say('child-word') }})</template></span
              ></template
            >
          </p>
        </div>
        <div v-if="child.never.length">
          <p class="row level">
            <StandingGlyph level="not_heard" :size="20" plain /><strong>{{
              say('child-never')
            }}</strong>
          </p>
          <p>{{ child.never.join(', ') }}</p>
        </div>
      </section>
    </div>
    <section class="stack">
      <h2>{{ say('child-marks') }}</h2>
      <ul class="line">
        <li v-for="mark in marks" :key="mark.id" class="row">
          <StandingGlyph :level="mark.result" :size="18" /><span class="day">{{
            shortDay(mark.day)
          }}</span
          ><span>{{ mark.name }}</span
          ><span class="small quiet"
            >{{ sayOf('teach-ways', mark.way) }}, {{ sayOf('ledger-voices', mark.voices)
            }}<template v-if="mark.help !== 'none'">, {{ sayOf('mark-helps', mark.help) }}</template
            ><template v-if="mark.together">, {{ say('mark-together') }}</template></span
          >
        </li>
      </ul>
      <p v-if="child.marks.length > FIRST && !all">
        <v-btn size="small" height="44" @click="all = true">{{
          say('child-all-marks', { n: child.marks.length })
        }}</v-btn>
      </p>
    </section>
    <details>
      <summary>{{ say('child-care') }}</summary>
      <form class="stack care-form" @submit.prevent="keepCare">
        <v-text-field v-model="how" :label="say('child-say')" maxlength="60" />
        <v-checkbox v-model="touch" :label="say('child-without-touch')" />
        <v-checkbox v-model="alone" :label="say('child-without-alone')" />
        <p class="small quiet">{{ say('child-without-how') }}</p>
        <div class="row">
          <v-btn type="submit" height="44" :disabled="busy">{{ say('more-keep') }}</v-btn>
          <span v-if="kept" role="status">✓ {{ say('child-care-kept') }}</span>
        </div>
        <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      </form>
    </details>
  </div>
</template>

<style scoped>
.child {
  gap: 20px;
}
.step {
  font-size: 19px;
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 36px;
  align-items: start;
}
.level {
  gap: 6px;
}
.legend .row {
  gap: 4px;
}
.line {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(420px, 1fr));
  gap: 0 24px;
}
.line li {
  gap: 8px;
  min-height: 34px;
  border-top: 1px solid var(--line);
}
.day {
  min-width: 74px;
}
summary {
  cursor: pointer;
  min-height: 44px;
  display: list-item;
}
.care-form {
  max-width: 460px;
  gap: 8px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
  .line {
    grid-template-columns: 1fr;
  }
}
</style>
