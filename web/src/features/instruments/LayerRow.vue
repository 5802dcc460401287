<script setup lang="ts">
// Native: boxes small enough that a phrase fits on the screen.
// One layer: who plays it, its loop as boxes that are pressed, the rounds after it paler up to the end of the phrase.
import { computed } from 'vue'
import type { Family, Layer } from '@/api/instruments'
import { choices, say } from '@/locales/say'
import { boxesOf, FINE, press, read, resized, write } from './loop'

const props = defineProps<{
  layer: Layer
  /** Beats of a bar, and of the phrase. */
  bar: number
  phrase: number
  fits: boolean
  silent: boolean
  /** The beat that sounds now, from nought; below nought where nothing does. */
  now: number
}>()
const emit = defineEmits<{
  change: [layer: Layer]
  drop: []
  hands: []
}>()
const families: Family[] = [
  'skin',
  'struck wood',
  'scraped',
  'shaken',
  'metal',
  'barred',
  'body',
  'speech',
]
const loop = computed(() => read(props.layer.rhythm))
const beats = computed(() => loop.value.length / FINE)
const per = computed(() => boxesOf(loop.value))
const size = computed(() => FINE / per.value)
interface Box {
  start: number
  beat: number
  /** Pressed here, or only shown: a round after the first. */
  own: boolean
  on: boolean
  goes: boolean
  seam: boolean
}
const boxes = computed<Box[]>(() =>
  Array.from({ length: props.phrase * per.value }, (_, n) => {
    const start = n * size.value
    const inside = start % loop.value.length
    const begins = loop.value.sounds.some(
      (one) => one.start >= inside && one.start < inside + size.value,
    )
    const goes = loop.value.sounds.some(
      (one) => one.start < inside && one.start + one.length > inside,
    )
    return {
      ...{ start, beat: Math.floor(start / FINE), own: start < loop.value.length },
      ...{ on: begins, goes: !begins && goes, seam: start > 0 && inside === 0 },
    }
  }),
)
const words = computed(() => {
  const said = props.layer.words ?? []
  return new Map(loop.value.sounds.map((one, n) => [one.start, said[n] ?? '']))
})
const set = (changed: Partial<Layer>) => emit('change', { ...props.layer, ...changed })
const pressed = (start: number) =>
  set({ rhythm: write(press(loop.value, start, size.value)), words: [] })
const long = (to: number) => set({ rhythm: write(resized(loop.value, to)) })
const where = (box: Box) => {
  const place = (box.start % FINE) / size.value + 1
  const word = words.value.get(box.start) ?? ''
  return `${say('layer-box', { beat: box.beat + 1, place, of: per.value })} ${word}`.trim()
}
const lengths = computed(() =>
  [...new Set([...Array.from({ length: 16 }, (_, n) => n + 1), beats.value])]
    .sort((a, b) => a - b)
    .map((n) => ({ value: n, title: say('layer-beats', { n }) })),
)
</script>

<template>
  <section :class="['layer', { silent }]" :aria-label="layer.name">
    <div class="who">
      <v-text-field
        :model-value="layer.name"
        :label="say('layer-name')"
        maxlength="80"
        @change="set({ name: ($event.target as HTMLInputElement).value.trim() || layer.name })"
      />
      <v-select
        :model-value="layer.family"
        :label="say('layer-family')"
        :items="choices('layer-family', families)"
        @update:model-value="set({ family: $event })"
      />
    </div>
    <div class="loop">
      <div class="boxes" :style="{ gridTemplateColumns: `repeat(${boxes.length}, 1fr)` }">
        <template v-for="box in boxes" :key="box.start">
          <button
            v-if="box.own"
            :class="[
              'box',
              {
                on: box.on,
                goes: box.goes,
                now: now === box.beat,
                bar: box.start % (bar * FINE) === 0,
              },
              { first: box.start % FINE === 0, seam: box.seam },
            ]"
            :aria-pressed="box.on"
            :aria-label="where(box)"
            @click="pressed(box.start)"
          >
            <span v-if="words.get(box.start)" class="word narrow">{{ words.get(box.start) }}</span>
          </button>
          <span
            v-else
            :class="[
              'box round',
              {
                on: box.on,
                goes: box.goes,
                now: now === box.beat,
                bar: box.start % (bar * FINE) === 0,
              },
              { first: box.start % FINE === 0, seam: box.seam },
            ]"
          />
        </template>
      </div>
      <div class="row small foot">
        <v-select
          class="short"
          :model-value="beats"
          :label="say('layer-long')"
          :items="lengths"
          @update:model-value="long($event)"
        />
        <div class="short">
          <v-text-field
            type="number"
            min="1"
            max="64"
            :model-value="layer.enters_bar ?? 1"
            :label="say('layer-enters')"
            @update:model-value="
              set({ enters_bar: Math.min(Math.max(Number($event) || 1, 1), 64) })
            "
          />
        </div>
        <v-btn
          size="small"
          :aria-pressed="silent"
          :class="{ main: silent }"
          @click="emit('hands')"
          >{{ say('layer-hands') }}</v-btn
        >
        <span v-if="!fits" class="hangs">△ {{ say('layer-hangs') }}</span>
        <v-btn size="small" class="drop" @click="emit('drop')">{{ say('layer-drop') }}</v-btn>
      </div>
    </div>
  </section>
</template>

<style scoped>
.layer {
  display: flex;
  gap: 14px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
.who {
  width: 156px;
  flex: none;
  display: grid;
  gap: 6px;
  align-content: start;
}
.loop {
  flex: 1;
  min-width: 0;
  overflow-x: auto;
}
.boxes {
  display: grid;
  min-width: 440px;
}
.box {
  position: relative;
  height: 44px;
  min-width: 0;
  padding: 0;
  border: 1px solid var(--line);
  border-left-width: 0;
  background: var(--sheet);
  color: var(--ink);
}
.box.first {
  border-left: 1px solid var(--granite);
}
.box.bar {
  border-left: 3px solid var(--ink);
}
.box.seam::before {
  content: '';
  position: absolute;
  left: -2px;
  top: -7px;
  border: 5px solid transparent;
  border-top-color: var(--aloe);
}
.box.on::after,
.box.goes::after {
  content: '';
  position: absolute;
  top: 13px;
  bottom: 13px;
  left: 3px;
  right: 0;
  background: var(--ink);
  border-radius: 8px 0 0 8px;
}
.box.goes::after {
  left: 0;
  border-radius: 0;
  top: 19px;
  bottom: 19px;
}
.box.round {
  background: var(--paper);
}
.box.round::after {
  opacity: 0.35;
}
.box.now {
  background: var(--grass-wash);
}
.word {
  position: absolute;
  z-index: 1; /* longer than its box, it lies over the next one */
  left: 3px;
  bottom: -1px;
  font-size: 11px;
  white-space: nowrap;
}
.foot {
  gap: 8px;
  padding-top: 6px;
}
.short {
  flex: 0 0 108px;
  max-width: 108px;
}
.hangs {
  color: var(--aloe);
}
.drop {
  margin-left: auto;
}
.silent .box::after {
  background: transparent;
  box-shadow: inset 0 0 0 2px var(--ink);
}
</style>
