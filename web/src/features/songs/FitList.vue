<script setup lang="ts">
// Native: whole paragraphs to choose from.
// Songs against one concept and purpose: best first with their reasons, the ones that will not do folded below.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

const props = defineProps<{ fits: readonly Schemas['FitRead'][]; picked: string }>()
const emit = defineEmits<{ pick: [id: string] }>()
const good = computed(() => props.fits.filter((fit) => fit.allowed))
/** What every one of them has in its favour or against it: said once. */
const shared = computed(() => {
  const [first, ...others] = good.value
  if (!first || !others.length) return []
  const all = (sentence: string) =>
    others.every((fit) => fit.reasons.some((reason) => reason.sentence === sentence))
  return first.reasons.map((reason) => reason.sentence).filter(all)
})
const own = (fit: Schemas['FitRead']) =>
  fit.reasons
    .map((reason) => reason.sentence)
    .filter((sentence) => !shared.value.includes(sentence))
    .join(' ')
const barred = computed(() => props.fits.filter((fit) => !fit.allowed))
const why = (fit: Schemas['FitRead']) =>
  fit.reasons
    .filter((reason) => reason.weight === 'bars')
    .map((reason) => reason.sentence)
    .join(' ')
</script>

<template>
  <div>
    <p v-if="shared.length" class="small shared">
      <span class="quiet">{{ say('section-all-share') }}</span> {{ shared.join(' ') }}
    </p>
    <ol class="fits">
      <li v-for="(fit, index) in good" :key="fit.song.id">
        <button :class="{ on: fit.song.id === picked }" @click="emit('pick', fit.song.id)">
          <span class="place narrow">{{ index + 1 }}</span>
          <span
            ><strong>{{ fit.song.title }}</strong>
            <span :class="['small', fit.lessons_met ? 'quiet' : 'new']">{{
              say('section-met', { n: fit.lessons_met })
            }}</span><span class="sentence">{{
              shared.length ? own(fit) : fit.sentence
            }}</span></span
          >
        </button>
      </li>
    </ol>
    <details v-if="barred.length" :open="!good.length">
      <summary>{{ say('section-barred', { n: barred.length }) }}</summary>
      <ol class="fits barred">
        <li v-for="fit in barred" :key="fit.song.id">
          <button :class="{ on: fit.song.id === picked }" @click="emit('pick', fit.song.id)">
            <span class="place" aria-hidden="true">✕</span
            ><span
              ><strong>{{ fit.song.title }}</strong
              ><span class="sentence">{{ why(fit) }}</span></span
            >
          </button>
        </li>
      </ol>
    </details>
  </div>
</template>

<style scoped>
button {
  display: grid;
  grid-template-columns: 30px 1fr;
  width: 100%;
  padding: 9px 8px;
  border-top: 1px solid var(--line);
  border-left: 4px solid transparent;
}
button:hover {
  background: var(--wash);
}
button.on {
  background: var(--dusk-wash);
  border-left-color: var(--dusk);
}
.place {
  font-weight: 600;
  font-size: 18px;
  color: var(--granite);
}
.sentence {
  display: block;
  line-height: 1.38;
}
.barred .sentence {
  color: var(--granite);
  font-size: 14px;
}
summary {
  padding: 12px 8px;
  cursor: pointer;
  color: var(--granite);
  border-top: 1px solid var(--line);
}
</style>
