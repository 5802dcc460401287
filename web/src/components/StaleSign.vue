<script setup lang="ts">
// Two wrote the same thing: what differs, side by side, and one press chooses.
import { computed } from 'vue'
import { differences } from '@/composables/differences'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ says: string; mine: unknown; theirs: unknown; busy: boolean }>()
const emit = defineEmits<{ mine: []; theirs: [] }>()
const MOST = 10
const found = computed(() => differences(props.mine, props.theirs))
const named = (path: readonly string[]) =>
  path.map((one) => sayOf('fields', one, one.replace(/_/g, ' '))).join(', ')
</script>

<template>
  <section class="stale" role="alertdialog" :aria-label="say('stale-title')">
    <p>
      <strong>△ {{ says }}</strong>
    </p>
    <!-- Native: a table of facts. -->
    <table v-if="found.length" class="facts">
      <thead>
        <tr>
          <td></td>
          <th scope="col">{{ say('stale-yours') }}</th>
          <th scope="col">{{ say('stale-theirs') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in found.slice(0, MOST)" :key="one.path.join('.')">
          <th scope="row">{{ named(one.path) }}</th>
          <td>{{ one.mine || '–' }}</td>
          <td>{{ one.theirs || '–' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else class="small">{{ say('stale-same') }}</p>
    <p v-if="found.length > MOST" class="small">
      {{ say('stale-more', { n: found.length - MOST }) }}
    </p>
    <div class="row">
      <v-btn :disabled="busy" @click="emit('theirs')">{{ say('stale-take-theirs') }}</v-btn><v-btn
        :disabled="busy"
        @click="emit('mine')"
        >{{ say('stale-keep-mine') }}</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.stale {
  display: grid;
  gap: 12px;
  padding: 14px 24px;
  border-bottom: 2px solid var(--dusk);
  background: var(--dusk-wash);
  max-height: 50vh;
  overflow: auto;
}
</style>
