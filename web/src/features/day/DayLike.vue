<script setup lang="ts">
// Native: a word in a line of text that opens choices.
// What is the day like? Two presses say it, and the songs that its classes know for it are named.
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useDayLike } from '@/api/days'
import { say } from '@/locales/say'

const props = defineProps<{ day: string; songs?: boolean }>()
const like = useDayLike(() => props.day)
// The choices come when they are asked for: the first page is light without them.
const DayLikeChoices = defineAsyncComponent(() => import('./DayLikeChoices.vue'))
const opener = ref<HTMLElement>()
const open = ref(false)
const asked = ref(false)
watch(open, () => (asked.value = true))
const times = computed(() => like.data.value?.times ?? [])
const said = computed(() => times.value.filter((one) => one.said).map((one) => one.key))
/** Its season, then what was said of it. */
const told = computed(() =>
  [like.data.value?.season ?? '', ...times.value.flatMap((one) => (one.said ? [one.name] : []))]
    .filter(Boolean)
    .join(', '),
)
const suiting = computed(() => like.data.value?.suiting ?? [])
</script>

<template>
  <section v-if="like.data.value" class="like">
    <button
      ref="opener"
      type="button"
      class="open small"
      aria-haspopup="dialog"
      :aria-expanded="open"
      :aria-label="`${say('day-like')} ${told}`"
      @click="open = !open"
    >
      <span v-if="songs || !told" class="quiet">{{ say('day-like') }}</span>
      <span class="told">{{ told }} ▾</span>
    </button>
    <DayLikeChoices
      v-if="asked && opener"
      v-model="open"
      :target="opener"
      :day="day"
      :times="times"
    />
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
