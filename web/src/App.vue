<script setup lang="ts">
// The window: the day's strip at the left, where you are on top, the work in the rest.
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { partOf, sendAgain, whereRead } from '@/api/client'
import { overTheirs, stale, takeTheirs } from '@/api/versions'
import { begin, end, outbox } from '@/api/outbox'
import { forgetWhatHappened } from '@/api/lessons'
import { queryClient, useFirstRun, useMe } from '@/api/queries'
import { useWords } from '@/api/setup'
import { useKeep } from '@/composables/useKeep'
import TopLine from '@/components/TopLine.vue'
import UndoBar from '@/components/UndoBar.vue'
import KeySheet from '@/components/KeySheet.vue'
import AwaySign from '@/features/strip/AwaySign.vue'
import DayStrip from '@/features/strip/DayStrip.vue'
import UnsentSign from '@/features/strip/UnsentSign.vue'
import { provideTrail } from '@/composables/useTrail'
import { endPack, keepPack } from '@/api/pack'
import { standsIn, teaches } from '@/composables/roles'
import { forgetUndo } from '@/composables/useUndo'
import { say } from '@/locales/say'
import { awaitsField } from '@/composables/useKeys'
import { wording } from '@/composables/useWording'

// Not on the first page until they are asked for.
const findBox = () => import('@/features/strip/FindBox.vue')
const FindBox = defineAsyncComponent(findBox)
window.setTimeout(() => void findBox(), 10_000) // there when it is asked for, and not in the way of the first page
const StaleSign = defineAsyncComponent(() => import('@/components/StaleSign.vue'))

const route = useRoute()
const router = useRouter()
const me = useMe()
const first = useFirstRun()
const bare = computed(() => route.meta.bare === true)
const finding = ref(false)
watch(finding, (now) => (awaitsField.value = now))
provideTrail()
const words = useWords(() => me.data.value !== undefined)
watch(
  () => words.data.value,
  (now) => {
    if (now) wording.value = now
  },
  { immediate: true },
)

watch(
  () => me.data.value?.id,
  (id) => {
    if (id) void begin(id)
    else end()
    if (id && (teaches(me.data.value?.role) || standsIn(me.data.value?.role))) keepPack()
    else endPack()
  },
  { immediate: true },
)
watch(outbox.sent, forgetWhatHappened)
// What can be taken back may name a child, and a class looks at this page.
watch(
  () => route.name,
  (name) => name === 'teach' && forgetUndo(),
)
// The cache itself, for what is shown lags a moment behind it: just after signing in it would still say “signed out”.
const stillOut = () => queryClient.getQueryState(['me'])?.status === 'error'
watch(
  [() => me.isError.value, () => first.data.value, () => route.name],
  ([signedOut, needed]) => {
    if (needed?.needed && route.name !== 'first-run') void router.replace('/first-run')
    else if (
      signedOut &&
      stillOut() &&
      needed &&
      !needed.needed &&
      route.name &&
      !route.meta.open &&
      route.name !== 'sign-in'
    )
      void router.replace({ name: 'sign-in', query: { to: route.fullPath } })
  },
  { immediate: true },
)
// A page that is not for her: back to where she comes in.
watch(
  [() => me.data.value?.role, () => route.name],
  ([role, name]) => {
    if (role && name && !teaches(role) && !route.meta.anybody && !route.meta.bare)
      void router.replace('/')
  },
  { immediate: true },
)
// Two wrote the same: what the other one wrote is read, and one press chooses.
const theirs = ref<unknown>(null)
const { refused, busy, keep } = useKeep()
watch(stale, async (now) => {
  if (!now) return
  theirs.value = null
  const read: unknown = await fetch(`/api${whereRead(now.path)}`)
    .then((answer) => answer.json())
    .catch(() => null)
  theirs.value = partOf(now.path, read)
})
async function keepMine() {
  const mine = overTheirs()
  if (mine) await keep(() => sendAgain(mine.method, mine.path, mine.mine))
  await queryClient.invalidateQueries()
}
async function takeOther() {
  await queryClient.invalidateQueries()
  takeTheirs()
}
const toMain = () => document.getElementById('main')?.focus()
const ready = computed(() => bare.value || me.data.value !== undefined)
</script>

<template>
  <v-app class="app">
    <AwaySign />
    <router-view v-if="bare" />
    <div v-else-if="ready" class="window">
      <a class="skip" href="#main" @click.prevent="toMain">{{ say('app-skip') }}</a>
      <DayStrip />
      <div class="rest">
        <TopLine :finds="teaches(me.data.value?.role)" @find="finding = true"
          ><UnsentSign /><KeySheet
        /></TopLine>
        <FindBox v-if="finding" @close="finding = false" />
        <StaleSign
          v-if="stale"
          :says="stale.says"
          :mine="stale.mine"
          :theirs="theirs"
          :busy="busy"
          @mine="keepMine"
          @theirs="takeOther"
        />
        <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
        <UndoBar />
        <main id="main" class="work" tabindex="-1">
          <router-view :key="String(route.name) + String(route.params.id ?? '')" />
        </main>
      </div>
    </div>
  </v-app>
</template>

<style scoped>
.window {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  height: 100vh;
  height: 100dvh;
}
.skip {
  position: absolute;
  left: 8px;
  top: -60px;
  z-index: 50;
  padding: 10px 16px;
  background: var(--dusk);
  color: var(--paper);
}
.skip:focus {
  top: 8px;
}
.work:focus {
  outline: none;
}
.rest {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  position: relative;
}
.work {
  flex: 1;
  min-height: 0;
  overflow: auto;
  display: flex;
}
.work > * {
  flex: 1;
  min-width: 0;
}
@media (max-width: 900px) {
  .window {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(0, 1fr) auto;
  }
  .rest {
    order: -1;
  }
}
</style>
