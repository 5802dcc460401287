<script setup lang="ts" generic="T extends string">
// A few choices side by side, one of them on; Space goes on to the page's own act.
defineProps<{ modelValue: T; label: string; items: readonly { value: T; title: string }[] }>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
</script>

<template>
  <div class="row small" role="group" data-space-through :aria-label="label">
    <v-btn
      v-for="one in items"
      :key="one.value"
      size="small"
      :class="{ main: one.value === modelValue }"
      :aria-pressed="one.value === modelValue"
      @click="emit('update:modelValue', one.value)"
      >{{ one.title }}</v-btn
    >
  </div>
</template>
