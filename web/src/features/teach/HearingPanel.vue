<script setup lang="ts">
// Native: targets as large as the hand needs them.
// Whom to hear: four big targets, the next two names, one key a mark. Names stay hidden on a mirrored screen.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import StandingGlyph from '@/components/StandingGlyph.vue'
import { device } from '@/composables/useDevice'
import { say, sayOf } from '@/locales/say'
import type { Broke, Done, Given, Result } from './useQueue'

const props = defineProps<{
  hearing: Schemas['HearingRead']
  four: readonly Schemas['PlaceRead'][]
  then: readonly Schemas['PlaceRead'][]
  current: Schemas['PlaceRead'] | undefined
  together: readonly Schemas['PlaceRead'][]
  done: readonly Done[]
  names: boolean
  /** Seconds a child in this round, once it can be said. */
  pace: number | null
  help: Schemas['MarkedBody']['help'] | ''
  /** Kept beside the names: how they are said. */
  said: ReadonlyMap<string, string>
  /** Whether names have to be asked for. */
  hides: boolean
  /** Something else is open in the place of the queue. */
  busy: boolean
}>()
const held = defineModel<boolean>('held', { required: true })
defineEmits<{
  pick: [child: string]
  give: [result: Given]
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
const heard = computed(() => props.done.filter((one) => one.heard).length)
const lastAct = computed(() => props.done.filter((one) => one.act === props.done.at(-1)?.act))
/** What was given last; for whom only where names may be seen. */
const last = computed(() => {
  const one = lastAct.value[0]
  if (!one) return undefined
  const many = lastAct.value.length
  return { ...one, name: many > 1 ? say('teach-children', { n: many }) : one.name }
})
</script>

<template>
  <section class="hearing" :aria-label="say('teach-hearing')">
    <div class="row spread head">
      <p v-if="hearing.concept" class="row">
        <ConceptSign
          v-if="hearing.concept.sign !== hearing.concept.name"
          :sign="hearing.concept.sign"
          :name="hearing.concept.name"
          :height="24"
        /><strong>{{
          say('teach-listening', {
            concept: hearing.concept.name,
            way: sayOf('teach-ways', hearing.way),
            help:
              together.length > 1
                ? say('teach-in-group', { n: together.length })
                : sayOf('teach-helps', help || hearing.help),
          })
        }}</strong>
      </p>
      <p v-else class="quiet">{{ say('teach-nothing-to-judge') }}</p>
      <p class="row small quiet">
        <template v-if="hearing.concept"
          ><span>{{ say('teach-heard', { n: heard }) }}</span
          ><span v-if="pace !== null">{{ say('teach-pace', { n: pace }) }}</span
          ><span v-if="hearing.best">{{
            say('teach-best', { n: hearing.best.seconds })
          }}</span></template
        ><slot name="more" /><v-btn
          v-if="last"
          size="small"
          class="undo"
          height="44"
          @click="$emit('undo')"
        >
          <StandingGlyph v-if="names && last.heard" :level="last.result" :size="16" />
          {{ say('teach-undo') }}<template v-if="names">: {{ last.name }}</template>
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
    <slot />
    <p v-if="hearing.concept && !four.length && !busy" class="quiet">{{ say('teach-nobody') }}</p>
    <div v-else-if="hearing.concept && !busy" class="panel">
      <div class="four" role="group" :aria-label="say('teach-queue')">
        <button
          v-for="(place, index) in four"
          :key="place.child_id"
          :class="['child', { on: together.includes(place) }]"
          :aria-pressed="place.child_id === current?.child_id"
          :title="names ? place.reason : undefined"
          @click="$emit('pick', place.child_id)"
        >
          <span class="name">{{ shown(place, index) }}</span><span v-if="names" class="why small"
            ><template v-if="said.get(place.child_id)">“{{ said.get(place.child_id) }}” · </template
            >{{ place.reason }}</span
          >
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
        <div class="neither">
          <button class="result away" @click="$emit('give', 'absent')">
            <span>{{ say('keys-absent') }}</span> <span class="kbd">0</span></button
          ><button class="result passes" @click="$emit('give', 'passed')">
            <span>{{ say('keys-passes') }}</span> <span class="kbd">9</span>
          </button>
        </div>
      </div>
    </div>
    <div class="row spread foot">
      <p v-if="names" class="small quiet">
        <template v-if="then.length && !busy"
          >{{ say('teach-then') }} {{ then.map((place) => place.name).join(', ') }}</template
        >
      </p>
      <p v-else class="small quiet">{{ say('teach-names-hidden') }}</p>
      <div class="row">
        <v-btn
          v-if="hides"
          size="small"
          height="44"
          @pointerdown="held = true"
          @pointerup="held = false"
          @pointerleave="held = false"
          @keydown.space.prevent="held = true"
          @keyup.space="held = false"
        >
          {{ say('teach-names') }} <span class="kbd">n</span> </v-btn
        ><v-checkbox v-model="device.mine" :label="say('teach-mine')" />
      </div>
    </div>
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
.foot {
  min-height: 44px;
  flex-wrap: nowrap;
}
.undo {
  padding: 0 8px;
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
.neither {
  display: grid;
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
.neither .result {
  min-height: 44px;
  flex-direction: row;
  gap: 8px;
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
