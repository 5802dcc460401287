<script setup lang="ts">
// The engraved song. The SVG is our own server's; it takes the colour of the page.
defineProps<{ svg: string; label: string }>()
</script>

<template>
  <figure class="score" role="img" :aria-label="label" v-html="svg"></figure>
</template>
