<script setup lang="ts">
// The last round was played alone at the station: practice, until the teacher says whose it was and that it counts.
import { computed, ref, watch } from 'vue'
import { useRoll } from '@/api/children'
import { type Standings, takeRound } from '@/api/practice'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  section: string
  today: string
  standings: Standings
}>()
const roll = useRoll(() => props.section)
const children = computed(() =>
  [...(roll.data.value ?? [])].sort((a, b) => a.title.localeCompare(b.title)),
)
const child = ref<string | null>(null)
const kept = ref('')
watch(
  () => props.standings.times,
  () => (kept.value = ''),
)
async function take() {
  if (!child.value) return
  const who = children.value.find((one) => one.value === child.value)?.title ?? ''
  if (await takeRound(props.section, child.value, props.today, props.standings)) {
    kept.value = say('round-taken', { name: who, concept: props.standings.concept_name })
    child.value = null
  }
}
</script>

<template>
  <section v-if="standings.last" class="take sheet" :aria-label="say('round-station')">
    <p>
      {{
        say('round-station-last', {
          ...{ right: standings.last.right, of: standings.last.asked },
          ...{ seconds: standings.last.seconds },
          ...{ result: sayOf('more-results', standings.last.result) },
        })
      }}
    </p>
    <div class="row">
      <v-autocomplete v-model="child" :label="say('round-whose')" :items="children" />
      <v-btn :disabled="!child" @click="take()">{{
        say('round-take', { concept: standings.concept_name })
      }}</v-btn>
    </div>
    <p v-if="kept" role="status">✓ {{ kept }}</p>
  </section>
</template>

<style scoped>
.take {
  padding: 10px 16px;
  background: var(--sheet);
  border: 1px solid var(--line);
}
p {
  margin: 0 0 6px;
}
</style>
