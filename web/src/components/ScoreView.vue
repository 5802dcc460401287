<script setup lang="ts">
// The engraved song. The SVG is our own server's; it takes the colour of the page.
import { ref, watch } from 'vue'
import { drawHands } from '@/composables/handsInScore'

const props = withDefaults(
  defineProps<{
    svg: string
    label: string
    now?: number | null
    marked?: readonly number[]
    colours?: ReadonlyMap<number, string>
    ownHands?: boolean
  }>(),
  { now: null, marked: () => [], colours: undefined, ownHands: false },
)
const emit = defineEmits<{
  note: [index: number]
  /** A tone of a part that is not the one looked at: the part's number and the index of its note. */
  other: [part: number, index: number]
  step: [by: number]
}>()
const figure = ref<HTMLElement>()
// The printed note that sounds now is marked; its id is the engraver's, made from ours.
watch(
  () => [props.now, props.svg] as const,
  ([now]) => {
    figure.value
      ?.querySelectorAll('.sounds-now')
      .forEach((one) => one.classList.remove('sounds-now'))
    if (now !== null) figure.value?.querySelector(`#n${now}`)?.classList.add('sounds-now')
  },
  { flush: 'post' },
)
// Notes of a chosen tone are ringed, so that colour is not the only cue.
watch(
  () => [props.marked, props.svg] as const,
  ([marked]) => {
    figure.value?.querySelectorAll('.is-chosen').forEach((one) => one.classList.remove('is-chosen'))
    for (const note of marked) figure.value?.querySelector(`#n${note}`)?.classList.add('is-chosen')
  },
  { flush: 'post' },
)
watch(
  () => [props.colours, props.svg] as const,
  ([colours]) => {
    figure.value?.querySelectorAll<SVGElement>('.note .notehead').forEach((head) => {
      const note = Number(head.closest('g.note')?.id.match(/^n(\d+)/)?.[1] ?? -1)
      const colour = colours?.get(note)
      head.style.color = colour ?? ''
    })
  },
  { flush: 'post' },
)
watch(
  () => [figure.value, props.svg, props.ownHands] as const,
  ([here, svg, own]) => {
    if (here && svg.includes('hand')) drawHands(here, !own)
  },
  { flush: 'post', immediate: true },
)
const REACH = 26 // a finger is wider than a note head: the nearest head within so many pixels is meant
function pressed(event: MouseEvent) {
  const heads = [...(figure.value?.querySelectorAll('.note .notehead') ?? [])].map((head) => {
    const box = head.getBoundingClientRect()
    return {
      head,
      away: Math.hypot(
        event.clientX - (box.left + box.right) / 2,
        event.clientY - (box.top + box.bottom) / 2,
      ),
    }
  })
  const nearest = heads.reduce<(typeof heads)[number] | undefined>(
    (best, one) => (best && best.away <= one.away ? best : one),
    undefined,
  )
  if (!nearest || nearest.away > REACH) return
  const [, part, note] = nearest.head.closest('g.note')?.id.match(/^(?:p(\d+))?n(\d+)/) ?? []
  if (!note) return
  if (part) emit('other', Number(part) + 1, Number(note))
  else emit('note', Number(note))
}
</script>

<template>
  <figure
    ref="figure"
    class="score"
    role="group"
    tabindex="0"
    :aria-label="label"
    @click="pressed"
    @keydown.right.prevent="emit('step', 1)"
    @keydown.left.prevent="emit('step', -1)"
    v-html="svg"
  ></figure>
</template>
