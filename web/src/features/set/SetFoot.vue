<script setup lang="ts">
// What the composer says of its set: how good it is, which wishes are not kept, what a wish costs, what was refused.
import type { Schemas } from '@/api/client'
import { say, sayOf } from '@/locales/say'

defineProps<{
  set: Schemas['SetRead']
  prices: readonly Schemas['PriceRead'][] | undefined
  busy: boolean
}>()
const shown = defineModel<boolean>('shown', { required: true })
defineEmits<{ lift: [one: Schemas['RefusedRead']] }>()
</script>

<template>
  <section class="stack foot">
    <p v-for="one in set.unmet" :key="one.sentence" class="small quiet">· {{ one.sentence }}</p>
    <ul v-if="set.refused.length" class="row refused">
      <li v-for="one in set.refused" :key="one.says" class="row">
        <span class="small"
          ><span class="quiet">{{ say('set-refused') }}:</span> {{ one.says }}</span
        ><v-btn size="small" :disabled="busy" @click="$emit('lift', one)">{{
          say('set-lift')
        }}</v-btn>
      </li>
    </ul>
    <p>
      <v-btn size="small" :aria-expanded="shown" @click="shown = !shown">{{
        say('set-prices')
      }}</v-btn>
    </p>
    <!-- Native: a table of facts. -->
    <table v-if="shown && prices" class="small">
      <tbody>
        <tr v-for="one in prices" :key="one.key">
          <td class="narrow points">{{ one.points }}</td>
          <td class="quiet">{{ sayOf('set-tier', one.tier) }}</td>
          <td>{{ one.says }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.foot {
  gap: 8px;
}
.refused {
  gap: 8px 20px;
}
td {
  padding: 2px 14px 2px 0;
}
.points {
  text-align: right;
}
</style>
