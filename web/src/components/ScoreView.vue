<script setup lang="ts">
// The engraved song. The SVG is our own server's; it takes the colour of the page.
import { ref, watch } from 'vue'

const props = withDefaults(defineProps<{ svg: string; label: string; now?: number | null }>(), { now: null })
const emit = defineEmits<{ note: [index: number] }>()
const figure = ref<HTMLElement>()
// The printed note that sounds now is marked; its id is the engraver's, made from ours.
watch(() => [props.now, props.svg] as const, ([now]) => {
  figure.value?.querySelectorAll('.sounds-now').forEach((one) => one.classList.remove('sounds-now'))
  if (now !== null) figure.value?.querySelector(`#n${now}`)?.classList.add('sounds-now')
}, { flush: 'post' })
function pressed(event: Event) {
  const id = (event.target as Element).closest('g.note')?.id.match(/^n(\d+)/)?.[1]
  if (id) emit('note', Number(id))
}
</script>

<template>
  <figure ref="figure" class="score" role="img" :aria-label="label" @click="pressed" v-html="svg"></figure>
</template>
