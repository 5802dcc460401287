<script setup lang="ts">
// Cards of instruments: asked one by one, with a check that teaches; laid in rows; printed to cut; a lost one alone.
import { computed, ref, watch } from 'vue'
import { SOUNDINGS, type Sounding, useCards } from '@/api/instruments'
import ChoiceRow from '@/components/ChoiceRow.vue'
import { useKeys } from '@/composables/useKeys'
import { choices, say } from '@/locales/say'

const sounding = ref<Sounding | ''>('')
const how = ref<'asked' | 'laid' | 'print'>('asked')
const seed = ref(1)
const at = ref(0)
const given = ref<number | null>(null)
const right = ref(0)
const read = useCards(sounding, seed)
const cards = computed(() => read.data.value?.cards ?? [])
const order = computed(() => (read.data.value?.pictures ?? []).flat())
const card = computed(() => order.value[at.value] ?? 0)
const offered = computed(() => read.data.value?.asked[card.value] ?? [])
const over = computed(() => at.value >= order.value.length && order.value.length > 0)
function begin() {
  at.value = 0
  given.value = null
  right.value = 0
}
watch(sounding, begin)
function again() {
  seed.value += 1
  begin()
}
function answer(n: number | undefined) {
  if (n === undefined || given.value !== null || over.value || how.value !== 'asked') return
  given.value = n
  if (n === card.value) right.value += 1
}
function next() {
  if (over.value) return again()
  if (given.value === null) return
  given.value = null
  at.value += 1
}
const only = ref('')
const parts = ref<'three' | 'two'>('three')
const printed = computed(() => {
  const asked = new URLSearchParams({ parts: parts.value })
  if (sounding.value) asked.set('sounding', sounding.value)
  if (only.value) asked.set('only', only.value)
  return `/api/cards/print?${asked.toString()}`
})
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
  <div class="cards">
    <div class="row head">
      <ChoiceRow
        v-model="how"
        :label="say('deck-how')"
        :items="choices('deck-how', ['asked', 'laid', 'print'])"
      />
      <v-select
        v-model="sounding"
        class="family"
        :label="say('deck-family')"
        :items="[
          { value: '', title: say('deck-family-all') },
          ...choices('deck-family', [...SOUNDINGS]),
        ]"
      />
      <v-btn v-if="how !== 'print'" @click="again">{{ say('deck-anew') }}</v-btn>
    </div>
    <p v-if="read.error.value" class="wrong" role="alert">△ {{ read.error.value.message }}</p>
    <section v-else-if="how === 'asked' && cards[card]" :aria-label="say('deck-how-asked')">
      <p v-if="over" class="large" role="status">
        {{ say('deck-over', { right, of: order.length }) }}
        <v-btn class="main" @click="again"
          >{{ say('deck-anew') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
        >
      </p>
      <div v-else class="asked">
        <!-- eslint-disable-next-line vue/no-v-html -- drawn by our own server -->
        <div class="picture" :aria-hidden="given === null" v-html="cards[card]?.svg" />
        <div class="names">
          <p class="quiet">{{ say('deck-which', { n: at + 1, of: order.length }) }}</p>
          <v-btn
            v-for="(one, n) in offered"
            :key="one"
            height="56"
            :disabled="given !== null && one !== card && one !== given"
            :class="{ main: given !== null && one === card }"
            @click="answer(one)"
            ><span class="kbd">{{ n + 1 }}</span> {{ cards[one]?.name
            }}<span v-if="given !== null && one === card" aria-hidden="true"> ✓</span
            ><span v-else-if="given === one" aria-hidden="true"> ✗</span></v-btn
          >
          <p v-if="given !== null" role="status">
            {{
              say(given === card ? 'deck-right' : 'deck-wrong', {
                name: cards[card]?.name ?? '',
                other: cards[given]?.name ?? '',
                sounds: (cards[card]?.soundings ?? []).join(', '),
              })
            }}
          </p>
          <v-btn v-if="given !== null" class="main" @click="next"
            >{{ say('deck-following') }} <span class="kbd">{{ say('keys-space') }}</span></v-btn
          >
        </div>
      </div>
    </section>
    <section v-else-if="how === 'laid'" :aria-label="say('deck-how-laid')">
      <template v-for="(row, r) in read.data.value?.pictures ?? []" :key="r">
        <ul class="rowed">
          <li v-for="one in row" :key="one">
            <!-- eslint-disable-next-line vue/no-v-html -- drawn by our own server -->
            <div class="small-picture" v-html="cards[one]?.svg" />
          </li>
        </ul>
        <ul class="rowed names-row">
          <li v-for="one in read.data.value?.names[r] ?? []" :key="one">{{ cards[one]?.name }}</li>
        </ul>
      </template>
    </section>
    <section v-else class="print">
      <ChoiceRow
        v-model="parts"
        :label="say('deck-parts')"
        :items="choices('deck-parts', ['three', 'two'])"
      />
      <v-select
        v-model="only"
        class="family"
        :label="say('deck-lost')"
        :items="[
          { value: '', title: say('deck-lost-none') },
          ...cards.map((one) => ({
            value: String(one.number),
            title: `${one.number} · ${one.name}`,
          })),
        ]"
      />
      <v-btn class="main" :href="printed" target="_blank">{{ say('deck-print') }}</v-btn>
      <p class="quiet">{{ say('deck-print-how', { n: cards.length }) }}</p>
    </section>
  </div>
</template>

<style scoped>
.head {
  gap: 12px;
  padding-bottom: 14px;
  flex-wrap: wrap;
}
.family {
  flex: 0 0 220px;
  max-width: 320px;
}
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
.rowed {
  list-style: none;
  margin: 0 0 6px;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 6px;
}
.rowed li {
  border: 1px solid var(--line);
  background: #fff;
  color: #2a211b;
  padding: 6px;
  text-align: center;
}
.names-row {
  margin-bottom: 18px;
}
.names-row li {
  font-size: 18px;
  padding: 10px 4px;
}
.small-picture :deep(svg) {
  height: 92px;
}
.print {
  display: grid;
  gap: 14px;
  justify-items: start;
}
@media (max-width: 900px) {
  .asked {
    grid-template-columns: 1fr;
  }
  .rowed {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
}
</style>
