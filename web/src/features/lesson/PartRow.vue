<script setup lang="ts">
// Native: a row of a table to choose.
// One part of a lesson in its row: minutes, what, with which song and concept, new or known, pinned or not.
import { mdiPin, mdiPinOutline } from '@mdi/js'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import { purposeName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

defineProps<{ part: Schemas['PartRead']; picked: boolean; over: boolean; begun: boolean }>()
defineEmits<{ pick: []; pin: [] }>()
</script>

<template>
  <div :class="['part', { picked, new: part.new }]">
    <button class="main-part" data-space-through :aria-pressed="picked" @click="$emit('pick')">
      <span class="minutes narrow">{{ part.minutes }}</span>
      <span class="slot narrow">{{ part.slot }}</span>
      <span class="what"
        ><strong>{{ part.title }}</strong
        ><span v-if="part.song || part.piece" class="quiet">{{
          part.song?.title ?? part.piece?.title
        }}</span></span
      >
      <span class="concept"
        ><template v-if="part.concept"
          ><ConceptSign :sign="part.concept.sign" :name="part.concept.name" :height="22" /><span
            v-if="part.purpose"
            class="small quiet"
            >{{ purposeName(part.purpose) }}</span
          ></template
        ></span
      >
      <span class="tags"
        ><span v-if="part.left_over" class="tag hatched">{{ say('lesson-left-over') }}</span
        ><span v-if="part.new" class="tag is-new">{{
          say('lesson-new-thing', { what: part.new })
        }}</span
        ><span v-if="part.hears" class="tag">{{ say('lesson-hears', { n: part.hears }) }}</span
        ><span v-if="over || part.tick" class="tag">{{
          sayOf('lesson-was', part.tick ?? 'open')
        }}</span></span
      >
    </button>
    <button
      v-if="!begun"
      class="pin"
      :aria-pressed="part.pinned"
      :aria-label="`${part.pinned ? say('lesson-unpin') : say('lesson-pin')}: ${part.title}`"
      :title="part.pinned ? say('lesson-unpin') : say('lesson-pin')"
      @click="$emit('pin')"
    >
      <v-icon :icon="part.pinned ? mdiPin : mdiPinOutline" size="20" />
    </button>
  </div>
</template>

<style scoped>
.part {
  display: flex;
  border-top: 1px solid var(--line);
  border-left: 4px solid transparent;
}
.part.new {
  border-left-color: var(--aloe);
}
.part:hover {
  background: var(--wash);
}
.part.picked {
  background: var(--dusk-wash);
}
.main-part {
  flex: 1;
  display: grid;
  grid-template-columns: 38px 104px minmax(170px, 1.3fr) minmax(90px, 0.6fr) minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  padding: 9px 6px;
  min-height: 56px;
  min-width: 0;
}
.minutes {
  font-size: 22px;
  font-weight: 600;
  text-align: right;
  padding-right: 4px;
}
.slot {
  font-size: 15px;
  color: var(--granite);
}
.what {
  display: flex;
  flex-direction: column;
  line-height: 1.3;
}
.concept {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  line-height: 1.2;
}
.tags {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
.hatched {
  background: repeating-linear-gradient(135deg, var(--line) 0 1.5px, transparent 1.5px 5px);
}
.pin {
  width: 44px;
  display: grid;
  place-items: center;
  color: var(--granite);
}
.pin[aria-pressed='true'] {
  color: var(--dusk);
}
@media (max-width: 900px) {
  .main-part {
    grid-template-columns: 34px 1fr auto;
  }
  .slot,
  .tags {
    grid-column: 2 / -1;
  }
  .slot {
    order: -1;
    display: none;
  }
}
</style>
