<script setup lang="ts">
// A song with more than one voice: its parts held against each other, itself as a round, other songs over it.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import type { Variant } from '@/api/queries'
import { useTogether } from '@/api/songs'
import { pitchName } from '@/composables/words'
import { say } from '@/locales/say'

const props = defineProps<{ id: string; song: Schemas['SongRead']; variant: Variant }>()
const emit = defineEmits<{ look: [variant: Variant] }>()
const found = useTogether(() => props.id)
/** A piece that has parts of its own is no round and no partner. */
const ownParts = computed(
  () => props.song.parts.length > 0 && !props.variant.voices && !props.variant.beside,
)
const isRound = (one: { voices: number; after: number }) =>
  props.variant.voices === one.voices && props.variant.after === one.after
</script>

<template>
  <div class="stack">
    <section v-if="song.parts.length" class="stack">
      <h2>{{ say('parts-against') }}</h2>
      <table class="voices" :aria-label="say('parts-title')">
        <tbody>
          <tr v-for="one in song.parts" :key="one.number">
            <th scope="row">{{ one.name }}</th>
            <td>{{ pitchName(one.low ?? '') }}–{{ pitchName(one.high ?? '') }}</td>
            <td>{{ one.voice }}</td>
          </tr>
        </tbody>
      </table>
      <ul v-if="song.together.length" class="small">
        <li v-for="one in song.together" :key="one.message">{{ one.message }}</li>
      </ul>
      <p v-else class="small">{{ say('parts-nothing') }}</p>
      <p class="small quiet">{{ say('parts-remarks') }}</p>
    </section>
    <p v-if="!ownParts && !found.data.value" class="quiet">{{ say('state-loading') }}</p>
    <template v-else-if="!ownParts && found.data.value">
      <section class="stack">
        <h2>{{ say('round-title') }}</h2>
        <p v-if="!found.data.value.rounds.length" class="small quiet">{{ say('round-none') }}</p>
        <ul class="ways">
          <li v-for="one in found.data.value.rounds" :key="`${one.voices}-${one.after}`">
            <span :class="one.well ? 'secure' : 'quiet'">{{ one.well ? '✓' : '△' }}</span>
            <span>{{ one.message }}</span>
            <v-btn
              size="small"
              :disabled="isRound(one)"
              @click="emit('look', { voices: one.voices, after: one.after })"
              >{{ say('together-see') }}</v-btn
            >
          </li>
        </ul>
      </section>
      <section class="stack">
        <h2>{{ say('partners-title') }}</h2>
        <p v-if="!found.data.value.partners.length" class="small quiet">
          {{ say('partners-none') }}
        </p>
        <ul class="ways">
          <li v-for="one in found.data.value.partners" :key="one.id">
            <span :class="one.well ? 'secure' : 'quiet'">{{ one.well ? '✓' : '△' }}</span>
            <span
              ><router-link :to="`/songs/${one.id}`">{{ one.title }}</router-link
              >: {{ one.message }}</span
            >
            <v-btn
              size="small"
              :disabled="variant.beside === one.id"
              @click="emit('look', { beside: one.id })"
              >{{ say('together-see') }}</v-btn
            >
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.voices {
  border-collapse: collapse;
}
.voices th {
  text-align: left;
}
.voices th,
.voices td {
  padding: 3px 18px 3px 0;
  vertical-align: top;
}
.ways {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 4px;
}
.ways li {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) max-content;
  gap: 8px;
  align-items: center;
}
</style>
