<script setup lang="ts">
// The best keys for a class and a purpose, each with its reasons; one press shows and sounds the song so.
import { computed, ref, watch } from 'vue'
import { useBestKeys, type KeyPurpose } from '@/api/songs'
import { pitchName } from '@/composables/words'
import { choices, say } from '@/locales/say'

const props = defineProps<{
  id: string
  written: string | null
  sung: string | null
  busy: boolean
  sections: readonly { id: string; name: string; grade: number }[]
}>()
const emit = defineEmits<{ show: [letter: string | null]; sing: [letter: string | null] }>()
const isSung = (one: { do: string; written: boolean }) =>
  props.sung ? one.do === props.sung : one.written
const section = ref('')
watch(
  () => props.sections,
  (now) => {
    section.value ||= now[0]?.id ?? ''
  },
  { immediate: true },
)
const grade = computed(() => props.sections.find((one) => one.id === section.value)?.grade ?? 2)
const purpose = ref<KeyPurpose>('voices')
const keys = useBestKeys(() => props.id, grade, purpose)
</script>

<template>
  <section class="stack">
    <div class="row head">
      <h2>{{ say('key-for-title') }}</h2>
      <v-select
        v-model="section"
        :label="say('key-for-whom')"
        :items="sections.map((one) => ({ value: one.id, title: one.name }))"
      />
      <v-select
        v-model="purpose"
        :label="say('key-for-purpose')"
        :items="choices('key-for-purposes', ['voices', 'bars', 'recorder', 'reading'])"
      />
    </div>
    <p v-if="keys.data.value && !keys.data.value.length" class="quiet">{{ say('key-for-none') }}</p>
    <ol v-else>
      <li v-for="(one, index) in keys.data.value ?? []" :key="one.do + one.low">
        <strong class="place">{{ index + 1 }}</strong><strong
          >{{ say('song-do-is', { d: pitchName(one.do) })
          }}<span v-if="one.written" class="small quiet">
            {{ say('key-for-written') }}</span
          ></strong
        ><span class="small">{{ one.reasons.join(' ') }}</span
        ><span class="row acts"
          ><v-btn size="small" @click="emit('show', one.written ? null : one.do)">{{
            say('key-for-show')
          }}</v-btn
          ><span v-if="isSung(one)" class="secure small">✓ {{ say('key-for-sung-so') }}</span
          ><v-btn
            v-else
            size="small"
            :disabled="busy"
            @click="emit('sing', one.written ? null : one.do)"
            >{{ say('key-for-sing-so') }}</v-btn
          ></span
        >
      </li>
    </ol>
    <p class="small quiet">{{ say('key-for-printed', { letter: pitchName(written ?? '') }) }}</p>
  </section>
</template>

<style scoped>
.head {
  gap: 8px 18px;
}
.acts {
  flex-wrap: nowrap;
  justify-content: flex-end;
}
li {
  display: grid;
  grid-template-columns: 24px 140px 1fr 212px;
  gap: 12px;
  border-top: 1px solid var(--line);
  padding: 6px 0;
  align-items: center;
}
@media (max-width: 900px) {
  li {
    grid-template-columns: 24px 1fr;
  }
}
</style>
