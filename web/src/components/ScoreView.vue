<script setup lang="ts">
// The engraved song. The SVG is our own server's; it takes the colour of the page.
import { ref, watch } from 'vue'
import { drawHands } from '@/composables/handsInScore'

const props = withDefaults(defineProps<{ svg: string; label: string; now?: number | null; marked?: readonly number[]; colours?: ReadonlyMap<number, string>; ownHands?: boolean }>(), { now: null, marked: () => [], colours: undefined, ownHands: false })
const emit = defineEmits<{ note: [index: number] }>()
const figure = ref<HTMLElement>()
// The printed note that sounds now is marked; its id is the engraver's, made from ours.
watch(() => [props.now, props.svg] as const, ([now]) => {
  figure.value?.querySelectorAll('.sounds-now').forEach((one) => one.classList.remove('sounds-now'))
  if (now !== null) figure.value?.querySelector(`#n${now}`)?.classList.add('sounds-now')
}, { flush: 'post' })
// Notes of a chosen tone are ringed, so that colour is not the only cue.
watch(() => [props.marked, props.svg] as const, ([marked]) => {
  figure.value?.querySelectorAll('.is-chosen').forEach((one) => one.classList.remove('is-chosen'))
  for (const note of marked) figure.value?.querySelector(`#n${note}`)?.classList.add('is-chosen')
}, { flush: 'post' })
watch(() => [props.colours, props.svg] as const, ([colours]) => {
  figure.value?.querySelectorAll<SVGElement>('.note .notehead').forEach((head) => {
    const note = Number(head.closest('g.note')?.id.match(/^n(\d+)/)?.[1] ?? -1)
    const colour = colours?.get(note)
    head.style.color = colour ?? ''
  })
}, { flush: 'post' })
watch(() => [figure.value, props.svg, props.ownHands] as const, ([here, svg, own]) => { if (here && svg.includes('hand')) drawHands(here, !own) }, { flush: 'post', immediate: true })
function pressed(event: Event) {
  const id = (event.target as Element).closest('g.note')?.id.match(/^n(\d+)/)?.[1]
  if (id) emit('note', Number(id))
}
</script>

<template>
  <figure ref="figure" class="score" role="img" :aria-label="label" @click="pressed" v-html="svg"></figure>
</template>
