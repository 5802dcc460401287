<script setup lang="ts">
// The choir's ladder of reading: three strands, levels that stand on a rung of each, and where the choir is.
import { computed, ref, watch } from 'vue'
import { useSections } from '@/api/queries'
import { setLadder, useLadder, useLadderNow, useSequenceActs } from '@/api/setup'
import PageState from '@/components/PageState.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import { useTrail } from '@/composables/useTrail'
import { offerUndo } from '@/composables/useUndo'
import { useBegun } from '@/api/drafts'
import { useUnsaved } from '@/composables/useUnsaved'
import LadderRow from '@/features/ladder/LadderRow.vue'
import StepPanel from '@/features/ladder/StepPanel.vue'
import { isLevel, moved, newHere, numbers, STRANDS } from '@/features/ladder/steps'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ choir?: string }>()
useTrail(() => [
  { says: say('set-up-title'), to: '/set-up' },
  { says: say('sequence-title'), to: '/sequence' },
  { says: say('ladder-title') },
])
const ladder = useLadder()
const acts = useSequenceActs()
const sections = useSections()
const choirs = computed(() => (sections.data.value ?? []).filter((one) => one.grade === 13))
const choir = computed(() => choirs.value.find((one) => one.id === props.choir) ?? choirs.value[0])
const now = useLadderNow(() => choir.value?.id ?? '')
const steps = ref<string[][]>([])
const dirty = ref(false)
useUnsaved(dirty)
const picked = ref(-1)
const said = ref('')
const refused = ref('')
function anew() {
  const read = ladder.data.value
  if (!read || dirty.value) return
  steps.value = read.steps.map((step) => [...step.rungs])
  picked.value = -1
}
useBegun(() => '/ladder', dirty, anew)
watch(() => ladder.data.value, anew, { immediate: true })
const rungs = computed(() => ladder.data.value?.rungs ?? [])
const count = computed(() => numbers(steps.value))
const free = computed(() =>
  rungs.value.filter(
    (one) => one.strand === 'signs' && !steps.value.some((step) => step.includes(one.key)),
  ),
)
/** Where the choir stands is known of the ladder that is kept, not of one that is being changed. */
const stepNow = (at: number) =>
  dirty.value
    ? undefined
    : now.data.value?.steps.find((one) => one.key === ladder.data.value?.steps[at]?.key)
const standing = computed(() => now.data.value?.rungs ?? [])

function change(next: string[][], at = picked.value) {
  steps.value = next
  picked.value = Math.min(at, next.length - 1)
  dirty.value = true
  said.value = ''
}
function put(step: string[]) {
  const at = picked.value < 0 ? steps.value.length : picked.value + 1
  change([...steps.value.slice(0, at), step, ...steps.value.slice(at)], at)
}
const exchange = (step: string[]) =>
  change(steps.value.map((one, at) => (at === picked.value ? step : one)))
const move = (by: number) =>
  change(
    moved(steps.value, picked.value, by),
    Math.max(0, Math.min(picked.value + by, steps.value.length - 1)),
  )
const remove = () =>
  change(
    steps.value.filter((_, at) => at !== picked.value),
    -1,
  )
async function keep(shipped: 'parts-first' | 'skips-first' | null) {
  refused.value = said.value = ''
  const before = ladder.data.value
  try {
    const read = await setLadder({
      steps: shipped ? [] : steps.value.map((step) => ({ rungs: step })),
      shipped,
    })
    dirty.value = false
    anew()
    said.value = read.along.length
      ? say('ladder-along', { names: read.along.join('; ') })
      : say('ladder-kept')
    if (before)
      offerUndo(say('kept-ladder'), async () => {
        if (before.number) await acts.start.mutateAsync({ shipped: null, number: before.number })
        else await setLadder({ steps: before.steps.map(({ rungs }) => ({ rungs })), shipped: null })
        await ladder.refetch()
      })
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
const shippedOnes = ['parts-first', 'skips-first'] as const
</script>

<template>
  <PageState v-if="!ladder.data.value" :error="ladder.error.value" @again="ladder.refetch()" />
  <div v-else class="with-drawer">
    <div class="page">
      <header class="row spread top">
        <div>
          <h1>{{ say('ladder-title') }}</h1>
          <p class="quiet">{{ say('ladder-lead') }}</p>
        </div>
        <v-btn class="main" :disabled="!dirty" @click="keep(null)">{{ say('ladder-keep') }}</v-btn>
      </header>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <p v-if="said" class="secure" role="status">✓ {{ said }}</p>
      <div class="row small tools">
        <span class="quiet">{{ say('sequence-start-from') }}</span><v-btn
          v-for="one in shippedOnes"
          :key="one"
          size="small"
          :class="{ main: !dirty && ladder.data.value.shipped === one }"
          :aria-pressed="!dirty && ladder.data.value.shipped === one"
          @click="keep(one)"
          >{{ sayOf('ladder-shipped', one) }}</v-btn
        >
        <router-link
          v-for="one in choirs.length > 1 ? choirs : []"
          :key="one.id"
          :to="`/ladder/${one.id}`"
          :aria-current="one.id === choir?.id"
          >{{ one.name }}</router-link
        >
      </div>
      <div class="heads small quiet" aria-hidden="true">
        <span>{{ say('ladder-levels') }}</span><span v-for="strand in STRANDS" :key="strand">{{
          sayOf('ladder-strand', strand)
        }}</span
        ><span>{{ choir?.name }}</span>
      </div>
      <ol>
        <LadderRow
          v-for="(step, at) in steps"
          :key="step.join()"
          :step="step"
          :number="count[at] ?? null"
          :fresh="newHere(steps, at, rungs)"
          :rungs="rungs"
          :picked="at === picked"
          :now="stepNow(at)"
          :standing="standing"
          @pick="picked = at === picked ? -1 : at"
        />
      </ol>
      <section v-if="free.length" class="stack">
        <h2>{{ say('ladder-free') }}</h2>
        <p class="small quiet">{{ say('ladder-free-why') }}</p>
        <div class="row">
          <v-btn v-for="one in free" :key="one.key" size="small" @click="put([one.key])"
            >+ {{ one.name }}</v-btn
          >
        </div>
      </section>
    </div>
    <SideDrawer
      v-if="steps[picked]"
      :title="
        isLevel(steps[picked]!)
          ? say('ladder-level', { n: count[picked] ?? 0 })
          : say('ladder-by-itself')
      "
      @close="picked = -1"
    >
      <StepPanel
        :key="picked"
        :step="steps[picked]!"
        :rungs="rungs"
        :standing="standing"
        @change="exchange"
        @move="move"
        @after="put([...steps[picked]!])"
        @remove="remove"
      />
    </SideDrawer>
  </div>
</template>

<style scoped>
.with-drawer {
  display: flex;
  height: 100%;
}
.page {
  --columns: 52px minmax(0, 1.5fr) minmax(0, 1.35fr) minmax(0, 0.75fr) minmax(0, 1.3fr);
  flex: 1;
  min-width: 0;
  gap: 10px;
}
.top {
  flex-wrap: nowrap;
  align-items: flex-start;
}
.tools {
  gap: 8px 14px;
}
.heads {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 10px;
  padding: 0 0 0 10px;
}
@media (max-width: 900px) {
  .heads {
    display: none;
  }
}
</style>
