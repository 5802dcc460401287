<script setup lang="ts">
// Which intervals failed lately, the weakest first, and a warm-up made of it in today's key.
import type { Schemas } from '@/api/client'
import { play } from '@/composables/useSound'
import { degreeName } from '@/composables/useWording'
import { say } from '@/locales/say'

const props = defineProps<{
  weak: readonly Schemas['WeakRead'][]
  warmUp: readonly (readonly string[])[]
  /** What a degree sounds as in the key of the exercise that is open. */
  midi: (degree: string) => number | null
}>()
function sound(row: readonly string[]) {
  const tones = row.map(props.midi).filter((one): one is number => one !== null)
  if (tones.length === row.length) play(tones)
}
</script>

<template>
  <div class="stack">
    <p v-if="!weak.length" class="quiet">{{ say('practice-weak-none') }}</p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">{{ say('practice-weak-move') }}</th>
          <th scope="col">{{ say('practice-weak-failed') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in weak" :key="one.one + one.two">
          <td>{{ degreeName(one.one) }} → {{ degreeName(one.two) }}</td>
          <td>
            <span
              class="bar"
              :style="{ width: `${(one.failed / Math.max(one.met, 1)) * 120}px` }"
            />
            {{ say('practice-weak-of', { failed: one.failed, met: one.met }) }}
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="warmUp.length">
      <h3>{{ say('practice-warm-up') }}</h3>
      <v-btn v-for="(row, n) in warmUp" :key="n" size="small" class="rowed" @click="sound(row)"
        >♪ {{ row.map((one) => degreeName(one)).join(' ') }}</v-btn
      >
    </template>
  </div>
</template>

<style scoped>
td,
th {
  text-align: left;
  padding: 3px 10px 3px 0;
}
.bar {
  display: inline-block;
  height: 10px;
  background: var(--grass);
  margin-right: 6px;
}
.rowed {
  justify-content: flex-start;
}
</style>
