<script setup lang="ts">
// Native: targets as large as the hand needs them.
// Whom to hear: four big targets, the next two names, one key a mark. Names stay hidden on a mirrored screen.
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import StandingGlyph from '@/components/StandingGlyph.vue'
import { say, sayOf } from '@/locales/say'
import { computed } from 'vue'
import type { Broke, Done, Result } from './useQueue'

const props = defineProps<{
  hearing: Schemas['HearingRead']
  four: readonly Schemas['PlaceRead'][]
  then: readonly Schemas['PlaceRead'][]
  current: Schemas['PlaceRead'] | undefined
  done: readonly Done[]
  names: boolean
}>()
defineEmits<{
  pick: [child: string]
  give: [result: Result | 'absent']
  undo: []
  locate: [strand: Broke]
}>()
/** The last reading, while it can be said what broke in it; on a mirrored screen that would show a mark. */
const broken = computed(() => {
  const last = props.done.at(-1)
  const open = props.names && props.hearing.breaks.length > 0
  return open && last && ['nearly', 'not_yet'].includes(last.result) ? last : undefined
})
const strandKeys = { pitch: 't', rhythm: 'r', parts: 'v' }
const shown = (place: Schemas['PlaceRead'], index: number) =>
  props.names ? place.name : say('teach-hidden', { n: index + 1 })
const results: { result: Result; says: string; key: string; level: string }[] = [
  { result: 'secure', says: say('keys-secure'), key: '3', level: 'secure' },
  { result: 'nearly', says: say('keys-nearly'), key: '2', level: 'nearly' },
  { result: 'not_yet', says: say('keys-not-yet'), key: '1', level: 'not_yet' },
]
</script>

<template>
  <section class="hearing" :aria-label="say('teach-hearing')">
    <div class="row spread head">
      <p class="row">
        <ConceptSign
          v-if="hearing.concept.sign !== hearing.concept.name"
          :sign="hearing.concept.sign"
          :name="hearing.concept.name"
          :height="24"
        /><strong>{{
          say('teach-listening', {
            concept: hearing.concept.name,
            way: sayOf('teach-ways', hearing.way),
            help: sayOf('teach-helps', hearing.help),
          })
        }}</strong>
      </p>
      <p class="row small quiet">
        <span>{{
          say('teach-heard', { n: done.filter((one) => one.result !== 'absent').length })
        }}</span><v-btn v-if="done.length" size="small" class="undo" @click="$emit('undo')">
          {{ say('teach-undo') }}<template v-if="names">: {{ done.at(-1)?.name }}</template>
          <span class="kbd">⌫</span>
        </v-btn>
      </p>
    </div>
    <div
      v-if="broken"
      class="row small breaks"
      role="group"
      :aria-label="say('teach-broke-of', { name: broken.name })"
    >
      <span>{{ say('teach-broke-of', { name: broken.name }) }}</span><v-btn
        v-for="strand in hearing.breaks"
        :key="strand"
        height="44"
        :class="{ main: broken.broke.includes(strand) }"
        :aria-pressed="broken.broke.includes(strand)"
        @click="$emit('locate', strand)"
        >{{ sayOf('ladder-strand', strand) }}
        <span class="kbd">{{ strandKeys[strand] }}</span></v-btn
      >
    </div>
    <p v-if="!four.length" class="quiet">{{ say('teach-nobody') }}</p>
    <div v-else class="panel">
      <div class="four" role="group" :aria-label="say('teach-queue')">
        <button
          v-for="(place, index) in four"
          :key="place.child_id"
          :class="['child', { on: place.child_id === current?.child_id }]"
          :aria-pressed="place.child_id === current?.child_id"
          :title="names ? place.reason : undefined"
          @click="$emit('pick', place.child_id)"
        >
          <span class="name">{{ shown(place, index) }}</span><span v-if="names" class="why small">{{
            place.reason
          }}</span>
        </button>
      </div>
      <div
        class="results"
        role="group"
        :aria-label="current && names ? current.name : say('teach-now')"
      >
        <button
          v-for="one in results"
          :key="one.result"
          :class="['result', one.result]"
          @click="$emit('give', one.result)"
        >
          <StandingGlyph :level="one.level" :size="26" plain /><span>{{ one.says }}</span
          ><span class="kbd">{{ one.key }}</span>
        </button>
        <button class="result away" @click="$emit('give', 'absent')">
          <span>{{ say('keys-absent') }}</span><span class="kbd">0</span>
        </button>
      </div>
    </div>
    <p v-if="names && then.length" class="small quiet">
      {{ say('teach-then') }} {{ then.map((place) => place.name).join(', ') }}
    </p>
    <p v-if="!names" class="small quiet">{{ say('teach-names-hidden') }}</p>
  </section>
</template>

<style scoped>
.hearing {
  display: grid;
  gap: 8px;
  align-content: start;
}
.head {
  min-height: 32px;
}
.undo {
  min-height: 32px;
  padding: 0 8px;
  border: 1px solid var(--line);
  border-radius: 2px;
}
.panel {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(0, 1.3fr);
  gap: 16px;
}
.four {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 8px;
}
.child {
  border: 1px solid var(--granite);
  border-radius: 2px;
  background: var(--sheet);
  padding: 8px 10px;
  min-height: 84px;
  display: flex;
  flex-direction: column;
  justify-content: center;
}
.child:hover {
  background: var(--wash);
}
.child.on {
  border: 3px solid var(--dusk);
  background: var(--dusk-wash);
}
.name {
  font-size: 24px;
  font-weight: 650;
  line-height: 1.15;
  overflow-wrap: anywhere;
}
.why {
  color: var(--granite);
  line-height: 1.25;
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.results {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 8px;
}
.result {
  border: 1px solid var(--granite);
  border-radius: 2px;
  min-height: 84px;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 4px;
  font-weight: 600;
  background: var(--sheet);
  text-align: center;
  line-height: 1.1;
}
.result:hover {
  background: var(--wash);
}
.result.secure {
  border-color: var(--lichen);
}
.result.nearly {
  border-color: var(--grass);
}
@media (max-width: 900px) {
  .panel {
    grid-template-columns: 1fr;
  }
  .four {
    grid-template-columns: 1fr 1fr;
  }
  .child {
    min-height: 60px;
  }
}
</style>
