<script setup lang="ts">
// What the day is like, to choose from: each press keeps it.
import { computed } from 'vue'
import { setDayLike, type DayTime } from '@/api/days'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'

const props = defineProps<{ day: string; times: DayTime[]; target: HTMLElement }>()
const open = defineModel<boolean>({ required: true })
const { refused, keep } = useKeep()
const said = computed(() => props.times.filter((one) => one.said).map((one) => one.key))
async function turn(key: string) {
  const rest = said.value.filter((one) => one !== key)
  await keep(() => setDayLike(props.day, rest.length === said.value.length ? [...rest, key] : rest))
}
</script>

<template>
  <v-menu v-model="open" :target="target" :close-on-content-click="false">
    <section class="sheet choices" :aria-label="say('day-like')">
      <p class="small quiet">{{ say('day-like-lead') }}</p>
      <p class="row">
        <v-btn
          v-for="one in times"
          :key="one.key"
          size="small"
          :class="['time', { on: one.said }]"
          :aria-pressed="one.said"
          @click="turn(one.key)"
          >{{ one.said ? '✓ ' : '' }}{{ one.name }}</v-btn
        >
      </p>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    </section>
  </v-menu>
</template>

<style scoped>
.choices {
  padding: 10px 12px;
  max-width: 320px;
  display: grid;
  gap: 8px;
}
.row {
  flex-wrap: wrap;
  gap: 4px;
}
.time {
  padding: 2px 8px;
}
.time.on {
  background: var(--dusk);
  color: var(--sheet);
}
</style>
