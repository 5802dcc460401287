<script setup lang="ts">
// A question to the songbook, built as a sentence: for whom, what it has, what else, how long it rested. It can be kept.
import { rules } from '@/api/rules'
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
/** What a class learns first, then what else songs have; a thing stands there once, and no group is empty. */
const groups = computed(() => {
  const seen = new Set<string>()
  return everything.value
    .map((group) => ({
      ...group,
      items: group.items.filter((one) => {
        const name = one.name.toLowerCase()
        return !seen.has(name) && seen.add(name)
      }),
    }))
    .filter((group) => group.items.length)
})
const everything = computed(() => [
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
function add(key: string | null) {
  if (key) set({ has: [...new Set([...has.value, key])].slice(0, 8) })
}
function keep() {
  if (called.value.trim()) emit('keep', called.value.trim())
  naming.value = false
  called.value = ''
}
</script>

<template>
  <div class="sentence" role="group" :aria-label="say('ask-title')">
    <v-select
      :model-value="asked.section ?? null"
      :label="say('ask-for-whom')"
      :items="[
        { value: null, title: say('ask-anybody') },
        ...sections.map((one) => ({ value: one.id, title: one.name })),
      ]"
      @update:model-value="set({ section: $event })"
    />
    <v-btn
      v-for="key in has"
      :key="key"
      size="small"
      class="on"
      :aria-label="say('ask-drop', { name: words(key) })"
      @click="set({ has: has.filter((one) => one !== key) })"
    >
      {{ say('ask-has', { name: words(key) }) }} ×
    </v-btn>
    <v-autocomplete
      :model-value="null"
      :items="
        groups.flatMap((group) => [
          { type: 'subheader', title: group.says },
          ...group.items.map((one) => ({ value: one.key, title: one.name })),
        ])
      "
      :label="say('ask-add')"
      @update:model-value="add"
    />
    <template v-if="asked.section">
      <v-btn
        size="small"
        :class="{ on: asked.known }"
        :aria-pressed="asked.known"
        @click="set({ known: !asked.known })"
      >
        {{ say('ask-known', { name }) }}
      </v-btn>
      <v-btn
        size="small"
        :class="{ on: asked.fits }"
        :aria-pressed="asked.fits"
        @click="set({ fits: !asked.fits })"
      >
        {{ say('ask-fits', { name }) }}
      </v-btn>
      <v-btn
        size="small"
        :class="{ on: asked.new }"
        :aria-pressed="asked.new"
        @click="set({ new: !asked.new })"
      >
        {{ say('ask-fresh') }}
      </v-btn>
      <v-select
        :model-value="asked.rested ?? null"
        :label="say('ask-rested')"
        :items="[
          { value: null, title: say('ask-whenever') },
          ...[1, 2, 4, 8, 12].map((one) => ({
            value: one,
            title: say('ask-not-since', { weeks: one }),
          })),
        ]"
        @update:model-value="
          set({
            rested: $event,
          })
        "
      />
    </template>
    <template v-if="anything">
      <form v-if="naming" class="row" @submit.prevent="keep">
        <v-text-field
          v-model="called"
          :label="say('ask-kept-as')"
          :rules="rules('QuestionBody', 'name')"
          validate-on="blur"
        /><v-btn size="small" type="submit">
          {{ say('about-keep') }}
        </v-btn>
      </form>
      <v-btn v-else size="small" class="plain" @click="naming = true">{{ say('ask-keep') }}</v-btn>
    </template>
    <div v-if="kept.length" class="kept">
      <span class="quiet small">{{ say('ask-kept') }}</span><span
        v-for="one in kept"
        :key="one.id"
        class="pair"
        ><v-btn size="small" @click="asked = one.asked">{{ one.name }}</v-btn
        ><v-btn
          size="small"
          :aria-label="say('ask-drop-kept', { name: one.name })"
          @click="emit('drop', one.id)"
        >
          ×
        </v-btn></span
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
.sentence > .v-input {
  flex: 0 1 230px;
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
</style>
