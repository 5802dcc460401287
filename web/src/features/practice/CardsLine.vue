<script setup lang="ts">
// Native: cards that are pressed whole.
// The bars of an exercise as cards: one after the other, laid anew, so that the known becomes a new line.
import { computed, ref, watch } from 'vue'
import { cardsOf } from '@/api/lines'
import type { Exercise } from '@/api/practice'
import ScoreView from '@/components/ScoreView.vue'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'

const props = defineProps<{ exercise: Exercise; part: number; sticks: boolean }>()
const emit = defineEmits<{ shown: [svg: string] }>()
const cards = ref<string[]>([])
const order = ref<number[]>([])
const at = ref(0)
const { refused, keep } = useKeep()
watch(
  () => [props.exercise.id, props.part, props.sticks] as const,
  () =>
    keep(async () => {
      cards.value = await cardsOf(props.exercise.id, props.part, props.sticks)
      order.value = cards.value.map((_, n) => n)
      at.value = 0
    }),
  { immediate: true },
)
const now = computed(() => cards.value[order.value[at.value] ?? 0] ?? '')
watch(now, (svg) => emit('shown', svg), { immediate: true })
const on = () => (at.value = (at.value + 1) % Math.max(order.value.length, 1))
/** Another order than this one; the next line begins with another card. */
function mix() {
  const left = [...order.value]
  const [first] = left
  const laid: number[] = []
  while (left.length) laid.push(...left.splice(Math.floor(Math.random() * left.length), 1))
  if (laid.length > 1 && laid[0] === first) laid.push(...laid.splice(0, 1))
  order.value = laid
  at.value = 0
}
defineExpose({ on, mix })
</script>

<template>
  <section class="cards" :aria-label="say('cards-title')">
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <ol>
      <li v-for="(card, n) in order" :key="card">
        <button
          type="button"
          :class="['card', { now: n === at }]"
          :aria-current="n === at ? 'true' : undefined"
          @click="at = n"
        >
          <span class="narrow number" aria-hidden="true"
            >{{ n === at ? '▸ ' : '' }}{{ n + 1 }}</span
          >
          <ScoreView :svg="cards[card] ?? ''" :label="say('cards-card', { n: n + 1 })" />
        </button>
      </li>
    </ol>
    <div class="row" data-space-through>
      <v-btn class="main" @click="on()"
        >{{ say('cards-next') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
      <v-btn @click="mix()">{{ say('cards-mix') }} <span class="kbd">x</span></v-btn>
      <span class="small quiet">{{ say('cards-how') }}</span>
    </div>
  </section>
</template>

<style scoped>
.cards {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 8px 0;
}
ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(175px, 1fr));
  gap: 10px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.card {
  width: 100%;
  min-height: 110px;
  padding: 8px 12px;
  background: var(--sheet);
  border: 1px solid var(--line);
  text-align: left;
}
.card.now {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 2px var(--ink);
}
.number {
  color: var(--granite);
}
</style>
