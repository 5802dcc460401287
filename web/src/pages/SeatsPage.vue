<script setup lang="ts">
// Native: places that are tapped and dragged with the finger.
// Who sits where: rows or a circle; tap two places to change them. Groups are drawn below, fairly, by one key.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, body, type Schemas } from '@/api/client'
import { queryClient, useConcepts, useSection } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { useKeys } from '@/composables/useKeys'
import { useTrail } from '@/composables/useTrail'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ id: string }>()
const section = useSection(() => props.id)
const read = useQuery({
  queryKey: ['seats', () => props.id],
  queryFn: () =>
    body(
      api.GET('/api/sections/{section_id}/seats', {
        params: { path: { section_id: props.id } },
      }),
    ),
})
useTrail(() => [
  { says: section.data.value?.section.name ?? '', to: `/sections/${props.id}` },
  { says: say('seats-title') },
])
type Kind = Schemas['SeatsRead']['kind']
const kind = ref<Kind>('rows')
const across = ref(6)
const places = ref<Schemas['SeatRead'][]>([])
watch(
  () => read.data.value,
  (now) => {
    if (!now) return
    kind.value = now.kind
    across.value = now.across
    places.value = [...now.places]
  },
  { immediate: true },
)
const DEEP = 8 // rows of a plan of one's own
const EMPTY = { child_id: null, name: '', say: '' }
/** Rows are filled up, so that somebody may sit behind a gap. */
const shown = computed(() => {
  const rest =
    kind.value === 'circle'
      ? 1
      : kind.value === 'plan'
        ? Math.max(across.value * DEEP - places.value.length, across.value)
        : across.value - (places.value.length % across.value)
  return [...places.value, ...Array.from({ length: rest }, () => EMPTY)]
})
const { refused, busy, keep } = useKeep()
async function send() {
  await keep(async () => {
    const now = await body(
      api.PUT('/api/sections/{section_id}/seats', {
        params: { path: { section_id: props.id } },
        body: {
          kind: kind.value,
          across: across.value,
          places: places.value.map((one) => one.child_id),
        },
      }),
    )
    queryClient.setQueryData(['seats', props.id], now)
    places.value = [...now.places]
    await queryClient.invalidateQueries({ queryKey: ['hearing'] })
  })
}
const held = ref(-1)
function tap(index: number) {
  if (held.value < 0) {
    if (shown.value[index]?.child_id) held.value = index
    return
  }
  const list = [...shown.value]
  const [one, other] = [list[held.value], list[index]]
  if (one && other) {
    list[held.value] = other
    list[index] = one
    while (list.length && !list.at(-1)?.child_id) list.pop()
    places.value = list
    if (held.value !== index) void send()
  }
  held.value = -1
}
function change(next: { kind?: Kind; across?: number }) {
  kind.value = next.kind ?? kind.value
  across.value = next.across ?? across.value
  void send()
}
const around = (index: number) => {
  const turn = (index / Math.max(shown.value.length, 1)) * 2 * Math.PI + Math.PI / 2
  return { left: `${50 - 43 * Math.cos(turn)}%`, top: `${50 + 43 * Math.sin(turn)}%` }
}

// Groups.
const of = ref(3)
const how = ref<'chance' | 'mixed' | 'alike'>('chance')
const concept = ref<string | null>(null)
const tasks = ref('')
const groups = ref<Schemas['GroupOfRead'][]>([])
const concepts = useConcepts()
const items = computed(() =>
  (concepts.data.value ?? []).map((one) => ({ value: one.key, title: one.name })),
)
const ways = (['chance', 'mixed', 'alike'] as const).map((value) => ({
  value,
  title: sayOf('groups-how', value),
}))
async function draw() {
  await keep(async () => {
    groups.value = await body(
      api.POST('/api/sections/{section_id}/groups', {
        params: { path: { section_id: props.id } },
        body: {
          of: of.value,
          how: how.value,
          concept: concept.value,
          tasks: tasks.value
            .split(',')
            .map((one) => one.trim())
            .filter(Boolean)
            .slice(0, 12),
          without: [],
        },
      }),
    )
  })
}
useKeys([{ key: 'g', says: say('groups-draw'), act: () => void draw() }])
</script>

<template>
  <PageState v-if="!read.data.value" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page">
    <header class="row spread">
      <h1>{{ say('seats-title') }} {{ section.data.value?.section.name }}</h1>
      <div class="row">
        <v-btn
          v-for="one in ['rows', 'circle', 'plan'] as const"
          :key="one"
          height="44"
          :class="{ main: kind === one }"
          :aria-pressed="kind === one"
          @click="change({ kind: one })"
          >{{ sayOf('seats-kind', one) }}</v-btn><v-select
          v-if="kind !== 'circle'"
          :model-value="across"
          :items="[2, 3, 4, 5, 6, 7, 8, 9, 10]"
          :label="say('seats-across')"
          class="across"
          @update:model-value="change({ across: $event })"
        />
      </div>
    </header>
    <p class="small quiet">{{ say('seats-how') }}</p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <div class="columns">
      <div
        :class="['room', kind, { grid: kind !== 'circle' }]"
        :style="
          kind !== 'circle' ? { gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` } : {}
        "
        role="group"
        :aria-label="say('seats-title')"
      >
        <button
          v-for="(one, index) in shown"
          :key="index"
          :class="['seat', { held: held === index, empty: !one.child_id }]"
          :style="kind === 'circle' ? around(index) : {}"
          :aria-pressed="held === index"
          :aria-label="one.name || say('seats-empty')"
          :disabled="busy"
          @click="tap(index)"
        >
          {{ one.name }}<span v-if="one.say" class="small quiet say"> {{ one.say }}</span>
        </button>
      </div>
      <section class="stack groups">
        <h2>{{ say('groups-title') }}</h2>
        <div class="fields">
          <v-select
            v-model="of"
            :items="[2, 3, 4, 5, 6, 8]"
            :label="say('groups-of')"
          /><v-autocomplete
            v-model="concept"
            :items="items"
            :label="say('groups-concept')"
            clearable
          /><v-select
            v-model="how"
            :items="ways"
            :label="say('groups-by')"
            :disabled="!concept"
          /><v-text-field v-model="tasks" :label="say('groups-tasks')" />
        </div>
        <div class="row">
          <v-btn
            v-if="read.data.value.tones.length > 1"
            height="48"
            @click="tasks = read.data.value?.tones.join(', ') ?? ''"
            >{{ say('groups-tones') }}</v-btn><v-btn
            class="main"
            height="48"
            :disabled="busy"
            @click="draw"
            >{{ say('groups-draw') }} <span class="kbd">g</span></v-btn
          >
        </div>
        <ol v-if="groups.length" class="drawn">
          <li v-for="(one, index) in groups" :key="index">
            <strong>{{ one.task ?? index + 1 }}</strong>
            <span
              >{{ one.children.join(', ')
              }}<template v-if="one.helper">
                · {{ say('groups-helps', { name: one.helper }) }}</template
              ></span
            >
          </li>
        </ol>
        <p class="small quiet">{{ say('groups-fair') }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 36px;
  align-items: start;
}
.room.grid {
  display: grid;
  gap: 8px;
}
.room.circle {
  position: relative;
  aspect-ratio: 1;
  max-height: 600px;
  margin: 0 auto;
  width: min(100%, 600px);
}
.circle .seat {
  position: absolute;
  transform: translate(-50%, -50%);
  min-width: 78px;
}
.seat {
  min-height: 52px;
  padding: 4px 6px;
  border: 1px solid var(--granite);
  border-radius: 2px;
  background: var(--sheet);
  font-weight: 600;
  overflow-wrap: anywhere;
}
.seat:hover {
  background: var(--wash);
}
.seat.held {
  border: 3px solid var(--dusk);
  background: var(--dusk-wash);
}
.seat.empty {
  border-style: dashed;
  background: none;
}
.say {
  display: block;
}
.across {
  max-width: 120px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.drawn {
  display: grid;
}
.drawn li {
  display: grid;
  grid-template-columns: 64px 1fr;
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
