<script setup lang="ts">
// Lessons that are over by the clock and were never opened: did they happen?
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { clock, shortDay } from '@/composables/words'
import { say } from '@/locales/say'

const FEW = 3
const props = defineProps<{ lessons: readonly Schemas['UnopenedRead'][]; busy: boolean }>()
defineEmits<{
  planned: [one: Schemas['UnopenedRead']]
  otherwise: [one: Schemas['UnopenedRead']]
  lost: [one: Schemas['UnopenedRead']]
}>()
const all = ref(false)
const shown = computed(() => (all.value ? props.lessons : props.lessons.slice(0, FEW)))
</script>

<template>
  <section class="stack asked">
    <h2>{{ say('unopened-title') }}</h2>
    <ul>
      <li v-for="one in shown" :key="one.section.id + one.day + one.starts">
        <p>
          <strong>{{ one.section.name }}</strong> {{ shortDay(one.day) }}, {{ clock(one.starts) }}
        </p>
        <div class="row acts">
          <v-btn size="small" :disabled="busy" @click="$emit('planned', one)">{{
            one.lesson_id ? say('unopened-planned') : say('unopened-held')
          }}</v-btn><v-btn
            v-if="one.lesson_id"
            size="small"
            :disabled="busy"
            @click="$emit('otherwise', one)"
            >{{ say('unopened-otherwise') }}</v-btn
          ><v-btn size="small" :disabled="busy" @click="$emit('lost', one)">{{
            say('unopened-lost')
          }}</v-btn>
        </div>
      </li>
    </ul>
    <p v-if="lessons.length > FEW">
      <v-btn size="small" :aria-expanded="all" @click="all = !all">{{
        say('unopened-all', { n: lessons.length })
      }}</v-btn>
    </p>
  </section>
</template>

<style scoped>
.asked {
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
  gap: 8px;
}
li {
  display: grid;
  gap: 4px;
  padding: 6px 0;
}
.acts {
  gap: 6px;
}
</style>
