<script setup lang="ts">
// The order of the lessons of some grades: its parts, their minutes, what takes turns in them, what is never dropped.
import { mdiArrowDown, mdiArrowUp, mdiAutorenew, mdiClose, mdiPlus } from '@mdi/js'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

type Slot = Schemas['SlotBody']
const props = defineProps<{
  template: Schemas['TemplateRead']
  words: Schemas['ActivityWordsRead']
  activities: readonly Schemas['ActivityRead'][]
  busy: boolean
}>()
const emit = defineEmits<{ keep: [sent: Schemas['TemplateBody']]; shipped: [] }>()
const slots = ref<Slot[]>([])
const turning = ref(new Set<Slot>())
const around = ref({ settle_in: 2, line_up: 2, between: 1 })
watch(
  () => props.template,
  (now) => {
    slots.value = now.slots.map(({ role, minutes, named, always }) => ({
      role,
      minutes,
      always,
      named: named.map((one) => one.key),
    }))
    around.value = { settle_in: now.settle_in, line_up: now.line_up, between: now.between }
  },
  { immediate: true },
)
const fitting = (role: string) =>
  props.activities
    .filter((one) => (one.roles as string[]).includes(role))
    .map((one) => ({ value: one.key, title: one.title }))
const betweens = [0, 1, 2, 3, 4, 5, 6].map((value) => ({
  value,
  title: say('template-half-minutes', { n: value / 2 }),
}))
const short = computed(() => props.template.lengths.filter((one) => one.without.length))
function move(n: number, by: number) {
  const [one] = slots.value.splice(n, 1)
  if (one) slots.value.splice(n + by, 0, one)
}
function keep() {
  emit('keep', { slots: slots.value, ...around.value })
}
</script>

<template>
  <form class="stack" @submit.prevent="keep">
    <p class="small quiet">{{ say('template-lead') }}</p>
    <ol class="slots">
      <li v-for="(slot, n) in slots" :key="n" class="slot">
        <div class="line">
          <v-select
            v-model="slot.role"
            :label="say('template-part', { n: n + 1 })"
            :items="words.roles"
            item-title="name"
            item-value="key"
            @update:model-value="slot.named = []"
          />
          <v-number-input
            v-model="slot.minutes"
            :min="1"
            :max="60"
            clearable
            control-variant="hidden"
            :label="say('set-minutes')"
          />
        </div>
        <v-autocomplete
          v-if="slot.named?.length || turning.has(slot)"
          v-model="slot.named"
          multiple
          chips
          closable-chips
          :label="say('template-turns')"
          :items="fitting(slot.role)"
        />
        <div class="row spread tight">
          <v-checkbox v-model="slot.always" :label="say('template-always')" />
          <span class="row tight"
            ><v-btn
              v-if="!slot.named?.length && !turning.has(slot)"
              size="small"
              :icon="mdiAutorenew"
              :aria-label="say('template-let-turn', { n: n + 1 })"
              :title="say('template-turns')"
              @click="turning.add(slot)" /><v-btn
              size="small"
              :icon="mdiArrowUp"
              :disabled="n === 0"
              :aria-label="say('template-up', { n: n + 1 })"
              @click="move(n, -1)" /><v-btn
              size="small"
              :icon="mdiArrowDown"
              :disabled="n === slots.length - 1"
              :aria-label="say('template-down', { n: n + 1 })"
              @click="move(n, 1)" /><v-btn
              size="small"
              :icon="mdiClose"
              :aria-label="say('template-drop', { n: n + 1 })"
              @click="slots.splice(n, 1)"
          /></span>
        </div>
      </li>
    </ol>
    <div>
      <v-btn
        size="small"
        :prepend-icon="mdiPlus"
        :disabled="slots.length > 11"
        @click="slots.push({ role: 'game', minutes: null, named: [], always: false })"
        >{{ say('template-add') }}</v-btn
      >
    </div>
    <div class="three">
      <v-number-input
        v-model="around.settle_in"
        :min="0"
        :max="10"
        control-variant="hidden"
        :label="say('template-settle')"
      />
      <v-number-input
        v-model="around.line_up"
        :min="0"
        :max="10"
        control-variant="hidden"
        :label="say('template-line-up')"
      />
      <v-select v-model="around.between" :label="say('template-between')" :items="betweens" />
    </div>
    <ul v-if="short.length" class="small quiet">
      <li v-for="one in short" :key="one.minutes">
        {{ say('template-short', { n: one.minutes, without: one.without.join(', ') }) }}
      </li>
    </ul>
    <div class="row">
      <v-btn type="submit" class="main" :disabled="busy">{{ say('child-keep') }}</v-btn><v-btn
        v-if="template.own"
        :disabled="busy"
        @click="$emit('shipped')"
        >{{ say('template-shipped') }}</v-btn
      >
    </div>
    <p class="small quiet">{{ say('template-then') }}</p>
  </form>
</template>

<style scoped>
.slots {
  display: grid;
  gap: 0;
  padding: 0;
  list-style: none;
}
.slot {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding: 12px 0 6px;
}
.line {
  display: grid;
  grid-template-columns: 1fr 96px;
  gap: 8px;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px;
}
.tight {
  gap: 2px;
  flex-wrap: nowrap;
}
</style>
