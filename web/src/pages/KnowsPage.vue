<script setup lang="ts">
// New to Kopje is not new to you: what a section can name and which songs it knows, in one step.
import { computed, ref } from 'vue'
import { useDeclared, useKnownSongs, useKnowsActs } from '@/api/knows'
import { useConcepts, useSections } from '@/api/queries'
import { useSongTitles } from '@/api/sets'
import ConceptSign from '@/components/ConceptSign.vue'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { offerUndo } from '@/composables/useUndo'
import { useTrail } from '@/composables/useTrail'
import { say } from '@/locales/say'

const props = defineProps<{ id: string }>()
const sections = useSections()
const section = computed(() => sections.data.value?.find((one) => one.id === props.id))
useTrail(() => [
  { says: section.value?.name ?? '', to: `/sections/${props.id}` },
  { says: say('knows-title') },
])
const concepts = useConcepts()
const declared = useDeclared(() => props.id)
const songs = useSongTitles(true)
const known = useKnownSongs(() => props.id)
const acts = useKnowsActs(() => props.id)
const { refused, keep } = useKeep()
const wanted = ref('')
const named = computed(() => new Set(declared.data.value?.concepts ?? []))
const sung = computed(() => new Set(known.data.value?.song_ids ?? []))
const grades = computed(() => {
  const every = new Map<number, NonNullable<typeof concepts.data.value>>()
  for (const one of concepts.data.value ?? [])
    if (one.grade <= Math.max(section.value?.upper ?? 0, 0))
      every.set(one.grade, [...(every.get(one.grade) ?? []), one])
  return [...every].sort(([a], [b]) => a - b)
})
const shown = computed(() =>
  (songs.data.value ?? []).filter(
    (one) => sung.value.has(one.id) || one.title.toLowerCase().includes(wanted.value.toLowerCase()),
  ),
)
function setConcepts(keys: string[], on: boolean | null) {
  const now = new Set(named.value)
  for (const key of keys) {
    if (on) now.add(key)
    else now.delete(key)
  }
  const before = [...named.value]
  void keep(async () => {
    await acts.declare([...now])
    if (keys.length > 1) offerUndo(say('knows-did'), () => acts.declare(before))
  })
}
function setSong(key: string, on: boolean | null) {
  const now = new Set(sung.value)
  if (on) now.add(key)
  else now.delete(key)
  void keep(() => acts.setSongs([...now]))
}
</script>

<template>
  <PageState
    v-if="!section || !declared.data.value || !known.data.value"
    :error="declared.error.value ?? known.error.value"
    @again="declared.refetch()"
  />
  <div v-else class="page">
    <h1>{{ say('knows-heading', { name: section.name }) }}</h1>
    <p class="quiet">{{ say('knows-hint') }}</p>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <div class="two">
      <section class="stack">
        <h2>{{ say('knows-concepts') }}</h2>
        <div v-for="[grade, every] in grades" :key="grade" class="stack grade">
          <div class="row spread">
            <h3>{{ say('grade-of', { n: grade }) }}</h3>
            <span class="row"
              ><v-btn
                size="small"
                @click="
                  setConcepts(
                    every.map((one) => one.key),
                    true,
                  )
                "
                >{{ say('knows-all') }}</v-btn
              ><v-btn
                size="small"
                @click="
                  setConcepts(
                    every.map((one) => one.key),
                    false,
                  )
                "
                >{{ say('knows-none') }}</v-btn
              ></span
            >
          </div>
          <div class="concepts">
            <span v-for="one in every" :key="one.key" class="row one"
              ><v-checkbox
                :model-value="named.has(one.key)"
                :label="one.name"
                @update:model-value="setConcepts([one.key], $event)" /><ConceptSign
                v-if="one.sign !== one.name"
                :sign="one.sign"
                :name="one.name"
                :height="18"
            /></span>
          </div>
        </div>
      </section>
      <section class="stack">
        <h2>{{ say('knows-songs', { n: sung.size }) }}</h2>
        <v-text-field v-model="wanted" :label="say('knows-find')" />
        <ul class="songs">
          <li v-for="one in shown" :key="one.id">
            <v-checkbox
              :model-value="sung.has(one.id)"
              :label="one.title"
              @update:model-value="setSong(one.id, $event)"
            />
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 36px;
}
.grade {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.concepts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 0 12px;
}
.one {
  gap: 6px;
  flex-wrap: nowrap;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
