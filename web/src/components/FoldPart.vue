<script setup lang="ts">
// A part of a page that is made when it is first opened: a hundred fields that nobody asked for make a page slow.
import { ref } from 'vue'

const props = defineProps<{ open?: boolean }>()
const made = ref(props.open)
function toggled(event: Event) {
  if ((event.target as HTMLDetailsElement).open) made.value = true
}
</script>

<template>
  <details :open="open" @toggle="toggled">
    <summary><slot name="title" /></summary>
    <slot v-if="made" />
  </details>
</template>
