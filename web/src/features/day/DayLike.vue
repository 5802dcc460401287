<script setup lang="ts">
// Native: a word in a line of text that opens choices.
// What is the day like? Two presses say it, and the songs that its classes know for it are named.
import { computed } from 'vue'
import { setDayLike, useDayLike } from '@/api/days'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'

const props = defineProps<{ day: string; songs?: boolean }>()
const like = useDayLike(() => props.day)
const { refused, keep } = useKeep()
const times = computed(() => like.data.value?.times ?? [])
const said = computed(() => times.value.filter((one) => one.said).map((one) => one.key))
/** Its season, then what was said of it. */
const told = computed(() =>
  [like.data.value?.season ?? '', ...times.value.flatMap((one) => (one.said ? [one.name] : []))]
    .filter(Boolean)
    .join(', '),
)
const suiting = computed(() => like.data.value?.suiting ?? [])
async function turn(key: string) {
  const rest = said.value.filter((one) => one !== key)
  await keep(() => setDayLike(props.day, rest.length === said.value.length ? [...rest, key] : rest))
}
</script>

<template>
  <section v-if="like.data.value" class="like">
    <v-menu :close-on-content-click="false">
      <template #activator="{ props: opens }">
        <button
          v-bind="opens"
          type="button"
          class="open small"
          :aria-label="`${say('day-like')} ${told}`"
        >
          <span v-if="songs || !told" class="quiet">{{ say('day-like') }}</span>
          <span class="told">{{ told }} ▾</span>
        </button>
      </template>
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
    <template v-if="songs && said.length">
      <p v-for="one in suiting" :key="one.id" class="small">
        <router-link :to="`/songs/${one.id}`">{{ one.title }}</router-link>
        <span class="quiet"> {{ one.sections.join(', ') }}</span>
      </p>
      <p class="quiet small">{{ say(suiting.length ? 'day-like-next' : 'day-like-none') }}</p>
    </template>
  </section>
</template>

<style scoped>
.like {
  display: grid;
  gap: 4px;
  justify-items: start;
}
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
.open {
  min-height: 24px;
  padding: 2px 0;
  text-align: left;
}
.told {
  text-decoration: underline;
  text-underline-offset: 3px;
}
@media (pointer: coarse) {
  .open {
    min-height: 44px;
  }
}
</style>
