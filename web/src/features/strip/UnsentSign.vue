<script setup lang="ts">
// Says everywhere what is not sent yet, and what waits to be settled; nothing while all is well.
import { computed, onUnmounted, ref, watch } from 'vue'
import { LONG, outbox } from '@/api/outbox'
import { useAside } from '@/api/lessons'
import { useMe } from '@/api/queries'
import { standsIn, teaches } from '@/composables/roles'
import { shortDay } from '@/composables/words'
import { say } from '@/locales/say'

const SOON = 1500 // what is sent at once need not be said
const late = ref(false)
let timer = 0
watch(
  () => outbox.waiting.value > 0,
  (some) => {
    window.clearTimeout(timer)
    if (some) timer = window.setTimeout(() => (late.value = true), SOON)
    else late.value = false
  },
  { immediate: true },
)
onUnmounted(() => window.clearTimeout(timer))
/** Waits so long that somebody has to do something: the day since when. */
const now = ref(Date.now())
const ticking = window.setInterval(() => (now.value = Date.now()), 60_000)
onUnmounted(() => window.clearInterval(ticking))
const since = computed(() =>
  now.value - outbox.since.value > LONG
    ? shortDay(new Date(outbox.since.value).toISOString().slice(0, 10))
    : '',
)
const me = useMe()
const aside = useAside(() => teaches(me.data.value?.role) || standsIn(me.data.value?.role))
const toSettle = computed(() => outbox.refused.value.length + (aside.data.value?.length ?? 0))
</script>

<template>
  <div class="row" role="status">
    <router-link
      v-if="late && outbox.waiting.value"
      to="/kept"
      :class="['sign', { long: since }]"
      :title="since ? say('outbox-long') : undefined"
      >△ {{ say('outbox-unsent', { n: outbox.waiting.value })
      }}<template v-if="since">, {{ say('outbox-since', { day: since }) }}</template></router-link
    >
    <router-link v-if="toSettle" to="/kept" class="sign"
      >△ {{ say('outbox-aside', { n: toSettle }) }}</router-link
    >
  </div>
</template>

<style scoped>
.sign {
  color: var(--iron);
  font: 600 14px/20px var(--narrow);
  border: 1px solid var(--iron);
  border-radius: 2px;
  padding: 3px 8px;
  text-decoration: none;
  white-space: nowrap;
}
.long {
  background: var(--iron);
  color: var(--sheet);
}
.long:hover {
  color: var(--iron);
}
.sign:hover {
  background: var(--wash);
}
</style>
