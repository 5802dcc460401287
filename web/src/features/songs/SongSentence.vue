<script setup lang="ts">
// A question to the songbook, built as a sentence: for whom, what it has, what else, how long it rested. It can be kept.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { say, sayOf } from '@/locales/say'

type Asked = Schemas['AskedBody']
const asked = defineModel<Asked>({ required: true })
const props = defineProps<{
  sections: readonly { id: string; name: string }[]
  concepts: readonly { key: string; name: string; in_music: boolean }[]
  kinds: readonly { key: string; name: string; songs: number }[]
  kept: readonly Schemas['QuestionRead'][]
}>()
const emit = defineEmits<{ keep: [name: string]; drop: [id: string] }>()
const name = computed(
  () => props.sections.find((one) => one.id === asked.value.section)?.name ?? '',
)
const has = computed(() => asked.value.has ?? [])
const words = (key: string) =>
  props.concepts.find((one) => one.key === key)?.name ??
  props.kinds.find((one) => one.key === key)?.name ??
  key
const groups = computed(() => [
  { says: say('ask-groups-concept'), items: props.concepts.filter((one) => one.in_music) },
  ...(['meter', 'rests', 'set', 'tone', 'figure'] as const).map((group) => ({
    says: sayOf('ask-groups', group),
    items: props.kinds.filter((one) => one.key.startsWith(`${group}:`)),
  })),
])
const set = (change: Partial<Asked>) => {
  asked.value = { ...asked.value, ...change }
}
const anything = computed(() => Boolean(asked.value.section || has.value.length))
const naming = ref(false)
const called = ref('')
function add(event: Event) {
  const select = event.target as HTMLSelectElement
  if (select.value) set({ has: [...new Set([...has.value, select.value])].slice(0, 8) })
  select.value = ''
}
function keep() {
  if (called.value.trim()) emit('keep', called.value.trim())
  naming.value = false
  called.value = ''
}
</script>

<template>
  <div class="sentence" role="group" :aria-label="say('ask-title')">
    <label
      >{{ say('ask-for-whom') }}
      <select
        :value="asked.section ?? ''"
        @change="set({ section: ($event.target as HTMLSelectElement).value || null })"
      >
        <option value="">{{ say('ask-anybody') }}</option>
        <option v-for="one in sections" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <button
      v-for="key in has"
      :key="key"
      class="on"
      :aria-label="say('ask-drop', { name: words(key) })"
      @click="set({ has: has.filter((one) => one !== key) })"
    >
      {{ say('ask-has', { name: words(key) }) }} ×
    </button>
    <label
      ><span class="visually-hidden">{{ say('ask-add') }}</span
      ><select @change="add">
        <option value="">{{ say('ask-add') }}</option>
        <optgroup v-for="group in groups" :key="group.says" :label="group.says">
          <option v-for="one in group.items" :key="one.key" :value="one.key">{{ one.name }}</option>
        </optgroup>
      </select></label
    >
    <template v-if="asked.section">
      <button
        :class="{ on: asked.known }"
        :aria-pressed="asked.known"
        @click="set({ known: !asked.known })"
      >
        {{ say('ask-known', { name }) }}
      </button>
      <button
        :class="{ on: asked.fits }"
        :aria-pressed="asked.fits"
        @click="set({ fits: !asked.fits })"
      >
        {{ say('ask-fits', { name }) }}
      </button>
      <button
        :class="{ on: asked.new }"
        :aria-pressed="asked.new"
        @click="set({ new: !asked.new })"
      >
        {{ say('ask-fresh') }}
      </button>
      <label
        ><span class="visually-hidden">{{ say('ask-rested') }}</span
        ><select
          :value="asked.rested ?? ''"
          @change="
            set({
              rested: ($event.target as HTMLSelectElement).value
                ? Number(($event.target as HTMLSelectElement).value)
                : null,
            })
          "
        >
          <option value="">{{ say('ask-whenever') }}</option>
          <option v-for="one in [1, 2, 4, 8, 12]" :key="one" :value="one">
            {{ say('ask-not-since', { weeks: one }) }}
          </option>
        </select></label
      >
    </template>
    <template v-if="anything">
      <form v-if="naming" class="row" @submit.prevent="keep">
        <label>{{ say('ask-kept-as') }} <input v-model="called" maxlength="120" /></label
        ><button>{{ say('about-keep') }}</button>
      </form>
      <button v-else class="plain" @click="naming = true">{{ say('ask-keep') }}</button>
    </template>
    <div v-if="kept.length" class="kept">
      <span class="quiet small">{{ say('ask-kept') }}</span><span
        v-for="one in kept"
        :key="one.id"
        class="pair"
        ><button @click="asked = one.asked">{{ one.name }}</button
        ><button
          :aria-label="say('ask-drop-kept', { name: one.name })"
          @click="emit('drop', one.id)"
        >
          ×
        </button></span
      >
    </div>
  </div>
</template>

<style scoped>
.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
}
button {
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 4px 10px;
  min-height: 36px;
  background: var(--sheet);
}
button.on {
  background: var(--dusk);
  color: var(--sheet);
  border-color: var(--dusk);
}
button.plain {
  border-color: transparent;
  background: none;
  text-decoration: underline;
}
.kept {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  flex-basis: 100%;
}
.pair {
  display: inline-flex;
}
.pair button + button {
  border-left: 0;
  padding: 4px 8px;
}
select,
input {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 4px 8px;
  min-height: 36px;
  max-width: 220px;
}
@media (max-width: 900px) {
  button,
  select {
    min-height: 44px;
  }
}
</style>
