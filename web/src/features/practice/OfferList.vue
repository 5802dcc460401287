<script setup lang="ts">
// Native: rows of a list that are pressed whole.
// What this class can be given to read, by kind; each with its sign and how far it is.
import { computed } from 'vue'
import type { Offer, RoundKind, Standings } from '@/api/practice'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  offers: readonly Offer[]
  rounds: readonly Standings[]
  picked: string
}>()
const emit = defineEmits<{ pick: [offer: Offer]; play: [kind: RoundKind] }>()
const keyOf = (one: Offer) => `${one.sort} ${one.due}`
const kinds = computed(() =>
  (['level', 'melody', 'rhythm'] as const)
    .map((sort) => ({ sort, offers: props.offers.filter((one) => one.sort === sort).reverse() }))
    .filter((one) => one.offers.length),
)
</script>

<template>
  <nav class="offers" data-space-through :aria-label="say('practice-what')">
    <template v-for="kind in kinds" :key="kind.sort">
      <h2 class="small">{{ sayOf('practice-sort', kind.sort) }}</h2>
      <button
        v-for="one in kind.offers"
        :key="keyOf(one)"
        :class="['offer', { picked: keyOf(one) === picked }]"
        :aria-pressed="keyOf(one) === picked"
        :title="one.why"
        @click="emit('pick', one)"
      >
        <span class="sign narrow" aria-hidden="true">{{ one.sign }}</span><span class="name">{{
          one.name
        }}</span
        ><span v-if="one.read" class="how narrow">{{
          say('practice-read', { clean: one.clean, read: one.read })
        }}</span>
      </button>
    </template>
    <h2 class="small">{{ say('practice-sort-round') }}</h2>
    <button
      v-for="one in rounds"
      :key="one.kind"
      :class="['offer wide', { picked: `round ${one.kind}` === picked }]"
      :aria-pressed="`round ${one.kind}` === picked"
      @click="emit('play', one.kind)"
    >
      <span>{{ sayOf('round-kind', one.kind) }}</span><span v-if="one.last" class="how narrow">{{
        say('round-short', { right: one.last.right, of: one.last.asked })
      }}</span>
    </button>
  </nav>
</template>

<style scoped>
.offers {
  width: 218px;
  flex: none;
  overflow: auto;
  border-right: 1px solid var(--line);
  padding: 14px 0;
}
h2 {
  padding: 10px 14px 4px;
  color: var(--granite);
}
.offer {
  display: grid;
  grid-template-columns: 58px 1fr;
  gap: 0 8px;
  width: 100%;
  min-height: 44px;
  padding: 6px 14px;
  text-align: left;
  align-items: center;
}
.wide {
  grid-template-columns: 1fr auto;
}
.wide .how {
  grid-column: 2;
}
.offer:hover {
  background: var(--wash);
}
.picked {
  background: var(--dusk-wash);
  box-shadow: inset 3px 0 0 var(--dusk);
}
.sign {
  font-weight: 600;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.how {
  grid-column: 2;
  color: var(--granite);
  font-size: 14px;
}
@media (max-width: 900px) {
  .offers {
    width: 132px;
  }
  .offer {
    grid-template-columns: 1fr;
  }
  .how {
    grid-column: 1;
  }
}
</style>
