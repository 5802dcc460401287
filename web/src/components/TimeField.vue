<script setup lang="ts">
// A time of day, typed as the school writes times. It stands as 09:10 outside.
import { computed, ref, watch } from 'vue'
import { clock, readTime } from '@/composables/words'
import { say } from '@/locales/say'

defineProps<{ label: string; disabled?: boolean }>()
const time = defineModel<string | null>({ required: true })
const text = ref('')
watch(time, (now) => (text.value = clock(now)), { immediate: true })
const wrong = computed(() =>
  text.value.trim() && !readTime(text.value) ? say('time-unread', { example: clock('14:30') }) : '',
)
function typed() {
  if (!text.value.trim()) time.value = ''
  else time.value = readTime(text.value) ?? time.value
  text.value = readTime(text.value) ? clock(time.value) : text.value
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
    @change="typed"
  />
</template>

<style scoped>
.time-field {
  min-width: 110px;
}
</style>
