<script setup lang="ts">
// A piece as a line of time: its parts as blocks with their letters, what changes in it, where it is now.
import { computed } from 'vue'
import { runTime } from '@/composables/words'

const props = defineProps<{
  length: number
  sections: readonly { label: string; begins: number; ends: number }[]
  changes: readonly { at: number; says: string }[]
  now?: number | null
  label: string
}>()
const at = (moment: number) => `${(100 * moment) / Math.max(props.length, 1)}%`
const letters = computed(() => [...new Set(props.sections.map((one) => one.label))])
const kind = (label: string) => `part-${letters.value.indexOf(label) % 4}`
const described = computed(() =>
  [
    ...props.sections.map((one) => `${one.label} ${runTime(one.begins)}`),
    ...props.changes.map((one) => `${one.says} ${runTime(one.at)}`),
  ].join(', '),
)
</script>

<template>
  <figure class="form" role="img" :aria-label="`${label}: ${described}`">
    <div class="blocks">
      <span
        v-for="one in sections"
        :key="one.begins"
        :class="[
          'block',
          kind(one.label),
          { on: now != null && now >= one.begins && now < one.ends },
        ]"
        :style="{ left: at(one.begins), width: at(one.ends - one.begins) }"
        >{{ one.label }}</span
      >
      <span v-if="now != null" class="now" :style="{ left: at(Math.min(now, length)) }" />
    </div>
    <div v-if="changes.length" class="changes narrow">
      <span
        v-for="one in changes"
        :key="`${one.at}${one.says}`"
        class="change"
        :style="{ left: at(one.at) }"
        >{{ one.says }}</span
      >
    </div>
  </figure>
</template>

<style scoped>
.form {
  width: 100%;
}
.blocks {
  position: relative;
  height: 34px;
  border: 1px solid var(--granite);
  border-radius: 2px;
  background: var(--sheet);
  overflow: hidden;
}
.block {
  position: absolute;
  inset-block: 0;
  display: grid;
  place-items: center;
  border-right: 1px solid var(--granite);
  font-weight: 650;
}
.part-0 {
  background: var(--wash);
}
.part-1 {
  background: var(--dusk-wash);
}
.part-2 {
  background: var(--grass-wash);
}
.part-3 {
  background: var(--lichen-wash);
}
.block.on {
  box-shadow: inset 0 0 0 3px var(--dusk);
}
.now {
  position: absolute;
  inset-block: 0;
  width: 3px;
  background: var(--aloe);
}
.changes {
  position: relative;
  height: 20px;
  font-size: 14px;
}
.change {
  position: absolute;
  padding-left: 4px;
  border-left: 2px solid var(--granite);
  white-space: nowrap;
  line-height: 18px;
}
</style>
