<script setup lang="ts">
// One step of the ladder: how high it stands in each strand, what is new in it, and how the choir does.
import type { Schemas } from '@/api/client'
import { say, sayOf } from '@/locales/say'
import { isLevel, type Rung, rungIn, STRANDS } from './steps'

const props = defineProps<{
  step: readonly string[]
  number: number | null
  fresh: readonly string[]
  rungs: readonly Rung[]
  picked: boolean
  now?: Schemas['LadderStepNowRead'] | undefined
  standing: readonly Schemas['LadderRungNowRead'][]
}>()
defineEmits<{ pick: [] }>()
const most = (strand: Rung['strand']) =>
  Math.max(...props.rungs.filter((one) => one.strand === strand).map((one) => one.height))
const cells = () =>
  STRANDS.flatMap((strand) => {
    const rung = rungIn(props.step, strand, props.rungs)
    if (!rung) return []
    const share = `${Math.round((100 * rung.height) / most(strand))}%`
    const heard = props.standing.find((one) => one.key === rung.key && one.heard)
    return [{ strand, rung, share, heard, fresh: props.fresh.includes(rung.key) }]
  })
const broke = () =>
  say('ladder-broke', {
    where: (props.now?.broke ?? [])
      .map((one) => `${sayOf('ladder-strand', one.strand).toLowerCase()} ${one.children}`)
      .join(', '),
  })
const signs = () =>
  props.rungs.filter((one) => one.strand === 'signs' && props.step.includes(one.key))
</script>

<template>
  <li :class="['step', { picked, sign: !isLevel(step) }]">
    <v-btn
      class="number"
      :aria-pressed="picked"
      :aria-label="number ? say('ladder-level', { n: number }) : signs()[0]?.name"
      @click="$emit('pick')"
      >{{ number ?? '+' }}</v-btn
    >
    <template v-if="isLevel(step)">
      <span v-for="cell in cells()" :key="cell.strand" :class="['cell', { fresh: cell.fresh }]">
        <span class="bar" :style="{ width: cell.share }" aria-hidden="true" />
        <span class="what"
          ><span v-if="cell.fresh" class="mark" :aria-label="say('ladder-new')">▲</span
          >{{ cell.rung.name }}</span
        ><span v-if="cell.heard" class="small heard" :title="cell.heard.sentence">{{
          say('ladder-have-it', { n: cell.heard.secure, of: cell.heard.heard })
        }}</span>
      </span>
    </template>
    <span v-else class="cell whole"
      ><span class="what">{{ signs()[0]?.name }}</span
      ><span class="small quiet">{{ say('ladder-by-itself') }}</span></span
    >
    <span class="small where">
      <span v-if="now && !now.heard" class="quiet">{{
        now.declared ? say('ladder-declared') : now.sentence
      }}</span><template v-else-if="now">{{ now.sentence }}</template>
      <strong v-if="now?.broke.length" class="broke">{{ broke() }}</strong>
      <em v-if="isLevel(step) && signs().length">{{
        signs()
          .map((one) => one.name)
          .join(', ')
      }}</em>
    </span>
  </li>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--line);
  border-left: 4px solid transparent;
  min-height: 46px;
  padding: 2px 0 2px 6px;
}
.step.picked {
  border-left-color: var(--dusk);
  background: var(--dusk-wash);
}
.number {
  min-width: 44px;
  font-weight: 650;
}
.cell {
  position: relative;
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: center;
  min-height: 42px;
  padding: 2px 0 8px;
  line-height: 1.15;
  color: var(--granite);
}
.cell.whole {
  grid-column: span 3;
}
.cell.fresh {
  color: var(--ink);
  font-weight: 650;
}
.bar {
  position: absolute;
  inset: auto auto 1px 0;
  height: 5px;
  background: var(--line);
}
.fresh .bar {
  background: var(--aloe);
}
.heard {
  white-space: nowrap;
  font-weight: 400;
}
.mark {
  color: var(--aloe);
  padding-right: 5px;
}
.where {
  line-height: 1.25;
}
.broke {
  color: var(--aloe);
  display: block;
}
@media (max-width: 900px) {
  .step {
    grid-template-columns: 52px minmax(0, 1fr);
  }
  .cell,
  .cell.whole,
  .where {
    grid-column: 2;
  }
}
</style>
