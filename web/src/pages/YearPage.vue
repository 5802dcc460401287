<script setup lang="ts">
// Does it fit, where are we? The year of one section as a ridge; a stratum can be moved, and what it pushes is shown.
import { computed, ref, watch } from 'vue'
import { useSections } from '@/api/queries'
import { useWays, useYear, useYearActs } from '@/api/year'
import type { Schemas } from '@/api/client'
import PageState from '@/components/PageState.vue'
import SideDrawer from '@/components/SideDrawer.vue'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import { useTrail } from '@/composables/useTrail'
import { offerUndo } from '@/composables/useUndo'
import { capital } from '@/composables/words'
import ArcPanel from '@/features/year/ArcPanel.vue'
import RidgeView from '@/features/year/RidgeView.vue'
import { bandsOf, inSight, moved } from '@/features/year/bands'
import YearTable from '@/features/year/YearTable.vue'
import { gradesName, phaseName } from '@/locales/names'
import { say } from '@/locales/say'
import { hoursLeft, yearFound } from '@/locales/sayings'

const props = defineProps<{ id: string }>()
const year = useYear(() => props.id)
const sections = useSections()
const acts = useYearActs(() => props.id)
const found = computed(() => year.data.value)
useTrail(() =>
  found.value
    ? [
        {
          says: gradesName(found.value.section),
          to: `/year/${found.value.section.grade}`,
        },
        { says: found.value.section.name, to: `/sections/${props.id}` },
        { says: say('year-title') },
      ]
    : [],
)
const picked = ref('')
const pushed = ref<{ name: string; by: number }[] | null>(null)
const { refused, keep } = useKeep()
const looking = ref(false)
const preview = ref<Schemas['WayOutRead'] | null>(null)
const ways = useWays(() => props.id, looking)
const busy = computed(() => Object.values(acts).some((one) => one.isPending.value))
const concepts = computed(() => [
  ...(found.value?.arcs ?? []).map((arc) => arc.concept),
  ...(found.value?.taught ?? []),
  ...(found.value?.left_out ?? []),
  ...(found.value?.next_year ?? []),
])
const concept = computed(() => concepts.value.find((one) => one.key === picked.value))
const shown = computed(() =>
  found.value && preview.value ? { ...found.value, arcs: preview.value.arcs } : found.value,
)
/** Lessons that lie behind without one having been held: before Kopje came, or not entered. */
const unrecorded = computed(() =>
  found.value ? Math.max(found.value.next_lesson - 1 - found.value.held, 0) : 0,
)
const panel = ref<{
  move: (by: number) => unknown
  stretch: (by: number) => unknown
  split: () => unknown
}>()
watch(picked, () => {
  pushed.value = null
  refused.value = ''
})

async function act(make: () => Promise<Schemas['YearRead']>) {
  const before = found.value
  await keep(async () => {
    const after = await make()
    if (before)
      pushed.value = moved(before, after).filter((one) => one.name !== concept.value?.name)
    looking.value = false
    preview.value = null
    if (make !== undone && after.can_undo)
      offerUndo(say('year-changed', { name: after.section.name }), undone)
  })
}
const fit = () => act(() => acts.fit.mutateAsync())
const override = (one: Schemas['ArcOverrideBody']) =>
  act(() => acts.override.mutateAsync({ overrides: [one], reserve: null }))
const take = (way: Schemas['WayOutRead']) =>
  act(() => acts.override.mutateAsync({ overrides: way.overrides, reserve: way.reserve }))
function walk(by: number) {
  const list = found.value ? inSight(bandsOf(found.value)) : []
  const index = list.indexOf(picked.value)
  picked.value = list[Math.min(Math.max(index + by, 0), list.length - 1)] ?? ''
}
const undone = () => acts.undo.mutateAsync()
const back = () => act(undone)
useKeys([
  { key: 'ArrowRight', says: say('keys-choose'), act: () => walk(1) },
  { key: 'ArrowLeft', says: say('keys-choose'), act: () => walk(-1) },
  { key: '[', says: say('year-earlier'), act: () => panel.value?.move(-1) },
  { key: ']', says: say('year-later-one'), act: () => panel.value?.move(1) },
  { key: '-', says: say('year-shorter'), act: () => panel.value?.stretch(-1) },
  { key: '+', says: say('year-longer'), act: () => panel.value?.stretch(1) },
  { key: 's', says: say('year-split'), act: () => panel.value?.split() },
  { key: 'f', says: say('year-lay-again'), act: () => void fit() },
  { key: 'u', says: say('year-undo'), act: () => found.value?.can_undo && void back() },
])
const legend = ['prepare', 'present', 'practise', 'warm', 'assess']
</script>

<template>
  <PageState v-if="!found || !shown" :error="year.error.value" @again="year.refetch()" />
  <div v-else class="with-drawer">
    <div class="page">
      <header class="row spread top">
        <div>
          <h1>{{ found.sentence }}</h1>
          <p class="quiet">
            {{ found.until_concert }}
            {{ say('year-held', { n: found.held, of: found.lessons.length })
            }}<template v-if="unrecorded"
              >, {{ say('year-unrecorded', { n: unrecorded }) }}</template
            >
            ·
            {{ hoursLeft(found.minutes_left) }} · {{ say('year-reserve', { n: found.reserve })
            }}<template v-if="found.fitted">
              ·
              {{
                found.status === 'best_possible'
                  ? say('year-fits')
                  : found.status === 'kept'
                    ? say('year-kept')
                    : yearFound(found.gap)
              }}</template
            >
          </p>
        </div>
        <div class="row">
          <v-btn v-if="found.short > 0" @click="looking = !looking">{{
            say('year-ways-out')
          }}</v-btn>
          <v-btn v-if="found.can_undo" :disabled="busy" @click="back"
            >{{ say('year-undo') }} <span class="kbd">u</span></v-btn
          >
          <v-btn :class="{ main: !found.fitted }" :disabled="busy" @click="fit"
            >{{
              busy ? say('year-laying') : found.fitted ? say('year-lay-again') : say('year-lay')
            }}
            <span class="kbd">f</span></v-btn
          >
        </div>
      </header>
      <p v-if="found.assumed" class="small">
        {{ say('year-assumed') }}
        <router-link to="/set-up">{{ say('year-to-set-up') }}</router-link>
      </p>
      <p v-if="refused && !concept" class="wrong" role="alert">△ {{ refused }}</p>
      <section v-if="looking" class="sheet ways">
        <p v-if="ways.isPending.value" class="quiet" role="status">{{ say('year-looking') }}</p>
        <div v-for="way in ways.data.value ?? []" :key="way.kind" class="way">
          <p>{{ way.sentence }}</p>
          <v-btn size="small" @click="preview = preview === way ? null : way">{{
            preview === way ? say('year-back') : say('year-preview').split(':')[0]
          }}</v-btn><v-btn size="small" class="main" :disabled="busy" @click="take(way)">{{
            say('year-take')
          }}</v-btn>
        </div>
      </section>
      <p v-if="preview" class="small new">{{ say('year-preview') }}</p>
      <div class="sheet picture">
        <RidgeView
          :year="shown"
          :picked="picked"
          @pick="picked = $event === picked ? '' : $event"
        />
      </div>
      <p class="row small legend" :aria-label="say('year-legend')">
        <span v-for="phase in legend" :key="phase" class="row"
          ><i :class="['swatch', phase]" />{{ phaseName(phase) }}</span
        ><span class="row"><i class="swatch taught" />{{ say('year-taught-legend') }}</span>
      </p>
      <div class="row lists">
        <p v-if="found.left_out.length">
          <span class="quiet">{{ say('year-left-out') }}:</span>
          <v-btn
            v-for="one in found.left_out"
            :key="one.key"
            size="small"
            class="tag"
            @click="picked = one.key"
          >
            {{ one.name }}
          </v-btn>
        </p>
        <p v-if="found.next_year.length">
          <span class="quiet">{{ say('year-later') }}:</span>
          <v-btn
            v-for="one in found.next_year"
            :key="one.key"
            size="small"
            class="tag"
            @click="picked = one.key"
          >
            {{ one.name }}
          </v-btn>
        </p>
      </div>
      <nav class="row" :aria-label="say('set-up-sections')">
        <router-link
          v-for="one in sections.data.value ?? []"
          :key="one.id"
          :to="`/sections/${one.id}/year`"
          :class="['tag', { on: one.id === id }]"
          >{{ one.name }}</router-link
        >
      </nav>
      <YearTable :year="shown" />
    </div>
    <SideDrawer v-if="concept" :title="capital(concept.name)" @close="picked = ''">
      <ArcPanel
        ref="panel"
        :year="found"
        :concept="concept"
        :busy="busy"
        :pushed="pushed"
        :refused="refused"
        @override="override"
      />
    </SideDrawer>
  </div>
</template>

<style scoped>
.with-drawer {
  display: flex;
  min-height: 100%;
}
.page {
  flex: 1;
  min-width: 0;
  gap: 12px;
}
.top {
  flex-wrap: wrap;
  align-items: flex-start;
  gap: 20px;
}
.top .row {
  flex-wrap: nowrap;
}
h1 {
  text-wrap: balance;
}
.top > :first-child {
  flex: 1 1 420px;
}
.picture {
  flex: none;
  padding: 6px 10px 4px;
  overflow-x: auto;
}
.ways {
  padding: 10px 14px;
  display: grid;
  gap: 8px;
}
.way {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 10px;
  align-items: center;
}
.legend {
  gap: 4px 16px;
  color: var(--granite);
}
.swatch {
  display: inline-block;
  width: 18px;
  height: 12px;
  border: 1px solid var(--granite);
  background: var(--sheet);
}
.swatch.prepare {
  background: radial-gradient(circle at 2px 2px, var(--granite) 1px, transparent 1.3px) 0 0 / 5px
    5px;
}
.swatch.present {
  background: var(--aloe);
  border-color: var(--aloe);
}
.swatch.practise {
  background: repeating-linear-gradient(0deg, var(--granite) 0 1.6px, transparent 1.6px 5px);
}
.swatch.warm {
  background: repeating-linear-gradient(0deg, var(--granite) 0 1px, transparent 1px 7px);
}
.swatch.assess {
  background: repeating-linear-gradient(135deg, var(--granite) 0 1.6px, transparent 1.6px 5px);
}
.swatch.taught {
  background: var(--granite);
}
.lists {
  gap: 4px 24px;
}
.tag {
  padding: 4px 9px;
  text-decoration: none;
  color: inherit;
  margin-right: 4px;
}
.tag.on {
  background: var(--dusk);
  color: var(--sheet);
  border-color: var(--dusk);
}
@media (max-width: 900px) {
  .top {
    flex-wrap: wrap;
  }
  .picture :deep(svg) {
    min-width: 900px;
  }
  .tag {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
}
</style>
