<script setup lang="ts">
// A time of day, typed as the school writes times. It stands as 09:10 outside.
import { computed, ref, watch } from 'vue'
import { clock, readTime } from '@/composables/words'
import { say } from '@/locales/say'

defineProps<{ label: string; disabled?: boolean }>()
const time = defineModel<string | null>({ required: true })
const text = ref('')
watch(
  time,
  (now) => {
    if (!now || readTime(text.value) !== now) text.value = clock(now)
  },
  { immediate: true },
)
const wrong = computed(() =>
  text.value.trim() && !readTime(text.value) ? say('time-unread', { example: clock('14:30') }) : '',
)
/** A whole time counts as soon as it stands there; a short one once one goes on. */
function typed(whole = false) {
  if (!text.value.trim()) time.value = ''
  else if (!whole || /\d[:.h]\d\d/.test(text.value)) time.value = readTime(text.value) ?? time.value
}
function left() {
  typed()
  if (readTime(text.value)) text.value = clock(time.value)
}
</script>

<template>
  <v-text-field
    v-model="text"
    class="time-field"
    :label="label"
    :disabled="disabled"
    :error-messages="wrong"
    autocomplete="off"
    @update:model-value="typed(true)"
    @change="left"
  />
</template>

<style scoped>
.time-field {
  min-width: 110px;
}
</style>
