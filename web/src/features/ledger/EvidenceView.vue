<script setup lang="ts">
// The reason behind one stone, and the marks it was read from.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import StandingGlyph from '@/components/StandingGlyph.vue'
import { capital, shortDay } from '@/composables/words'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ evidence: Schemas['EvidenceRead'] }>()
/** Who marked is said where it was not always the same adult. */
const several = computed(() => new Set(props.evidence.marks.map((one) => one.by)).size > 1)
</script>

<template>
  <div class="stack evidence">
    <p class="row top">
      <StandingGlyph
        :level="evidence.level"
        :due="evidence.due"
        :partly="evidence.partly"
        :size="34"
      /><span
        ><strong>{{ capital(evidence.concept.name) }}</strong
        ><br />{{ evidence.sentence }}</span
      >
    </p>
    <section v-if="evidence.ways.length > 1" class="stack">
      <h3>{{ say('ledger-ways') }}</h3>
      <p v-for="way in evidence.ways" :key="way.way" class="row top">
        <StandingGlyph :level="way.level" :due="way.due" :size="20" /><span class="small"
          >{{ capital(sayOf('teach-ways', way.way)) }}: {{ way.sentence }}</span
        >
      </p>
    </section>
    <section class="stack">
      <h3>{{ say('ledger-marks') }}</h3>
      <p v-if="!evidence.marks.length" class="quiet">{{ say('ledger-no-marks') }}</p>
      <ul>
        <li v-for="mark in evidence.marks" :key="mark.id" class="mark">
          <StandingGlyph :level="mark.result" :size="18" /><span>{{ shortDay(mark.day) }}</span
          ><span class="small quiet"
            >{{ sayOf('teach-ways', mark.way) }}, {{ sayOf('ledger-voices', mark.voices)
            }}<template v-if="mark.help !== 'none'"
              >, {{ sayOf('teach-helps', mark.help) }}</template
            ><template v-for="strand in mark.broke" :key="strand"
              >, {{ say('ledger-broke', { where: sayOf('ladder-strand', strand) }) }}</template
            ><template v-if="several && mark.by">, {{ mark.by }}</template></span
          >
        </li>
      </ul>
    </section>
    <p v-if="evidence.concept.prompt" class="quiet">“{{ evidence.concept.prompt }}”</p>
  </div>
</template>

<style scoped>
.evidence {
  gap: 18px;
}
.top {
  align-items: flex-start;
  flex-wrap: nowrap;
}
.mark {
  display: grid;
  grid-template-columns: 26px 96px 1fr;
  align-items: center;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
</style>
