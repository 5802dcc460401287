<script setup lang="ts">
// What does not add up in a song, each with the ways to mend it. The file stays as it came; the mending is the teacher's word.
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

const props = defineProps<{
  problems: readonly Schemas['ProblemRead'][]
  repairs: readonly Schemas['RepairRead'][]
  busy: boolean
}>()
const emit = defineEmits<{ mend: [bar: number, how: Schemas['RepairRead']['how']] }>()
const ways = (bar: number | null) => props.repairs.filter((one) => one.bar === bar)
</script>

<template>
  <section v-if="problems.length" class="problems" :aria-label="say('song-problems')">
    <strong>△ {{ say('song-problems') }}</strong>
    <ul>
      <li v-for="(one, index) in problems" :key="index">
        <span>{{ one.message }}</span><span
          v-if="ways(one.bar).length && one.code.startsWith('bar_too')"
          class="row ways"
          ><span class="small">{{ say('insight-mend') }}</span
          ><v-btn
            v-for="way in ways(one.bar)"
            :key="way.how"
            size="small"
            :disabled="busy"
            @click="emit('mend', way.bar, way.how)"
          >
            {{ way.sentence }}
          </v-btn></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.problems {
  border-left: 4px solid var(--iron);
  padding: 6px 14px;
  color: var(--iron);
  background: var(--sheet);
}
li {
  display: grid;
  gap: 4px;
  padding: 3px 0;
}
.ways {
  gap: 6px;
}
</style>
