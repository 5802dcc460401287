<script setup lang="ts">
// After an error: where it broke, and the least help first. The model comes last.
import { computed } from 'vue'
import type { Helped } from '@/api/practice'
import { degreeName } from '@/composables/useWording'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  place: { bar: number; note: number } | null
  move: readonly [string, string] | null
  given: readonly Helped[]
  helps: readonly Helped[]
}>()
const next = computed(() => props.helps.find((one) => !props.given.includes(one)))
const emit = defineEmits<{ give: [helped: Helped]; helped: [helped: Helped | null] }>()
const sayHelp = (one: Helped) =>
  one === 'from_bar'
    ? say('practice-help-from_bar', { bar: props.place?.bar ?? 1 })
    : sayOf('practice-help', one)
</script>

<template>
  <section class="after" :aria-label="say('practice-broke')">
    <p v-if="!place" role="status">{{ say('practice-press-place') }}</p>
    <template v-else>
      <p role="status">
        {{
          move
            ? say('practice-broke-at', {
                bar: place.bar,
                one: degreeName(move[0]),
                two: degreeName(move[1]),
              })
            : say('practice-broke-bar', { bar: place.bar })
        }}
      </p>
      <ol>
        <li v-for="one in helps" :key="one" :class="{ next: one === next }">
          <v-btn
            size="small"
            :class="{ main: one === next }"
            :aria-pressed="given.includes(one)"
            @click="emit('give', one)"
            >{{ given.includes(one) ? '✓ ' : '' }}{{ sayHelp(one) }}</v-btn
          >
        </li>
      </ol>
    </template>
    <div class="row">
      <v-btn
        v-if="given.length"
        class="main"
        @click="emit('helped', given[given.length - 1] ?? null)"
        >{{ say('practice-that-helped') }}</v-btn
      >
      <v-btn @click="emit('helped', null)">{{ say('practice-leave-it') }}</v-btn>
    </div>
  </section>
</template>

<style scoped>
.after {
  border-top: 1px solid var(--line);
  padding-top: 8px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ol {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  list-style: none;
  margin: 0;
  padding: 0;
}
p {
  margin: 0;
}
</style>
