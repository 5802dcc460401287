<script setup lang="ts">
// A question to the songbook, built as a sentence: for whom, what it has, what else, how long it rested.
import { computed } from 'vue'
import { say } from '@/locales/en'

interface Asked { section: string; has: string[]; known: boolean; fits: boolean; rested: number | null; new: boolean }
const asked = defineModel<Asked>({ required: true })
const props = defineProps<{ sections: readonly { id: string; name: string }[]; concepts: readonly { key: string; name: string; in_music: boolean }[] }>()
const name = computed(() => props.sections.find((one) => one.id === asked.value.section)?.name ?? '')
const words = (key: string) => props.concepts.find((one) => one.key === key)?.name ?? key
const set = (change: Partial<Asked>) => { asked.value = { ...asked.value, ...change } }
function add(event: Event) {
  const select = event.target as HTMLSelectElement
  if (select.value) set({ has: [...new Set([...asked.value.has, select.value])] })
  select.value = ''
}
</script>

<template>
  <div class="sentence" role="group" :aria-label="say.ask.title">
    <label>{{ say.ask.forWhom }} <select :value="asked.section" @change="set({ section: ($event.target as HTMLSelectElement).value })"><option value="">{{ say.ask.anybody }}</option><option v-for="one in sections" :key="one.id" :value="one.id">{{ one.name }}</option></select></label>
    <template v-if="asked.section">
      <button v-for="key in asked.has" :key="key" class="on" :aria-label="say.ask.drop(words(key))" @click="set({ has: asked.has.filter((one) => one !== key) })">{{ say.ask.has(words(key)) }} ×</button>
      <label><span class="visually-hidden">{{ say.ask.add }}</span><select @change="add"><option value="">{{ say.ask.add }}</option><option v-for="one in concepts.filter((each) => each.in_music)" :key="one.key" :value="one.key">{{ one.name }}</option></select></label>
      <button :class="{ on: asked.known }" :aria-pressed="asked.known" @click="set({ known: !asked.known })">{{ say.ask.known(name) }}</button>
      <button :class="{ on: asked.fits }" :aria-pressed="asked.fits" @click="set({ fits: !asked.fits })">{{ say.ask.fits(name) }}</button>
      <button :class="{ on: asked.new }" :aria-pressed="asked.new" @click="set({ new: !asked.new })">{{ say.ask.fresh }}</button>
      <label><span class="visually-hidden">{{ say.ask.rested }}</span><select :value="asked.rested ?? ''" @change="set({ rested: ($event.target as HTMLSelectElement).value ? Number(($event.target as HTMLSelectElement).value) : null })"><option value="">{{ say.ask.whenever }}</option><option v-for="one in [1, 2, 4, 8, 12]" :key="one" :value="one">{{ say.ask.notSince(one) }}</option></select></label>
    </template>
  </div>
</template>

<style scoped>
.sentence { display: flex; flex-wrap: wrap; gap: 6px 8px; align-items: center; }
button { border: 1px solid var(--granite); border-radius: 2px; padding: 4px 10px; min-height: 36px; background: var(--sheet); }
button.on { background: var(--dusk); color: var(--sheet); border-color: var(--dusk); }
select { font: inherit; color: inherit; background: var(--sheet); border: 1px solid var(--granite); border-radius: 2px; padding: 4px 8px; min-height: 36px; max-width: 220px; }
@media (max-width: 900px) { button, select { min-height: 44px; } }
</style>
