<script setup lang="ts">
// Cards of instruments: asked one by one, with a check that teaches; laid in rows; printed to cut; a lost one alone.
import { computed, ref } from 'vue'
import { SOUNDINGS, type Sounding, useCards } from '@/api/instruments'
import ChoiceRow from '@/components/ChoiceRow.vue'
import { choices, say } from '@/locales/say'
import CardsAsked from './CardsAsked.vue'

const sounding = ref<Sounding | ''>('')
const how = ref<'asked' | 'laid' | 'print'>('asked')
const seed = ref(1)
const read = useCards(sounding, seed)
const cards = computed(() => read.data.value?.cards ?? [])
const again = () => (seed.value += 1)
const only = ref('')
const parts = ref<'three' | 'two'>('three')
const printed = computed(() => {
  const asked = new URLSearchParams({ parts: parts.value })
  if (sounding.value) asked.set('sounding', sounding.value)
  if (only.value) asked.set('only', only.value)
  return `/api/cards/print?${asked.toString()}`
})
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
    <CardsAsked
      v-else-if="how === 'asked' && read.data.value"
      :deck="read.data.value"
      @again="again"
    />
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
  .small-picture :deep(svg) {
    height: 64px;
  }
  .names-row li {
    font-size: 14px;
  }
}
</style>
