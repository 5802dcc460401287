<script setup lang="ts">
// One card after the other: which name is it? The check says what it is and how it sounds.
import { computed, ref, watch } from 'vue'
import type { Cards } from '@/api/instruments'
import { useKeys } from '@/composables/useKeys'
import { say } from '@/locales/say'

const props = defineProps<{ deck: Cards }>()
const emit = defineEmits<{ again: [] }>()
const at = ref(0)
const given = ref<number | null>(null)
const right = ref(0)
const order = computed(() => props.deck.pictures.flat())
const card = computed(() => order.value[at.value])
const shown = computed(() => (card.value === undefined ? undefined : props.deck.cards[card.value]))
const offered = computed(() =>
  card.value === undefined ? [] : (props.deck.asked[card.value] ?? []),
)
const nameOf = (n: number) => props.deck.cards[n]?.name ?? ''
watch(
  () => props.deck,
  () => {
    at.value = 0
    given.value = null
    right.value = 0
  },
)
function answer(n: number | undefined) {
  if (n === undefined || given.value !== null) return
  given.value = n
  if (n === card.value) right.value += 1
}
function next() {
  if (!shown.value) return emit('again')
  if (given.value === null) return
  given.value = null
  at.value += 1
}
useKeys([
  ...[1, 2, 3, 4].map((n) => ({
    key: String(n),
    says: say('deck-key', { n }),
    act: () => answer(offered.value[n - 1]),
  })),
  { key: ' ', says: say('deck-following'), act: next },
])
</script>

<template>
  <section :aria-label="say('deck-how-asked')">
    <p v-if="!shown" class="large" role="status">
      {{ say('deck-over', { right, of: order.length }) }}
      <v-btn class="main" @click="next"
        >{{ say('deck-anew') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
      >
    </p>
    <div v-else class="asked">
      <!-- eslint-disable-next-line vue/no-v-html -- drawn by our own server -->
      <div class="picture" :aria-hidden="given === null" v-html="shown.svg" />
      <div class="names">
        <p class="quiet">{{ say('deck-which', { n: at + 1, of: order.length }) }}</p>
        <v-btn
          v-for="(one, n) in offered"
          :key="one"
          height="56"
          :disabled="given !== null && one !== card && one !== given"
          :class="{ main: given !== null && one === card }"
          @click="answer(one)"
          ><span class="kbd">{{ n + 1 }}</span> {{ nameOf(one)
          }}<span v-if="given !== null && one === card" aria-hidden="true"> ✓</span
          ><span v-else-if="given === one" aria-hidden="true"> ✗</span></v-btn
        >
        <template v-if="given !== null">
          <p role="status">
            {{
              say(given === card ? 'deck-right' : 'deck-wrong', {
                name: shown.name,
                other: nameOf(given),
                sounds: shown.soundings.join(', '),
              })
            }}
          </p>
          <v-btn class="main" @click="next"
            >{{ say('deck-following') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
          >
        </template>
      </div>
    </div>
  </section>
</template>

<style scoped>
.asked {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(260px, 420px);
  gap: 32px;
  align-items: center;
}
.picture {
  background: #fff;
  border: 1px solid var(--line);
  display: grid;
  place-items: center;
  padding: 16px;
}
.picture :deep(svg) {
  height: min(52vh, 420px);
  max-width: 100%;
}
.names {
  display: grid;
  gap: 10px;
}
.names .v-btn {
  font-size: 20px;
  justify-content: flex-start;
}
.names .kbd {
  margin-right: 8px;
}
.names p {
  margin: 0;
  font-size: 18px;
}
.large {
  font-size: 28px;
}
@media (max-width: 900px) {
  .asked {
    grid-template-columns: 1fr;
    gap: 14px;
  }
  .picture :deep(svg) {
    height: 28vh;
  }
}
</style>
