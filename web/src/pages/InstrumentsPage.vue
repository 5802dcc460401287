<script setup lang="ts">
// Instruments: do the layers fit, what comes off, which tone comes next. One shelf each.
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSections } from '@/api/queries'
import ChoiceRow from '@/components/ChoiceRow.vue'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import BarsShelf from '@/features/instruments/BarsShelf.vue'
import CardsShelf from '@/features/instruments/CardsShelf.vue'
import LayersShelf from '@/features/instruments/LayersShelf.vue'
import MovesShelf from '@/features/instruments/MovesShelf.vue'
import RecorderShelf from '@/features/instruments/RecorderShelf.vue'
import { choices, say } from '@/locales/say'

const props = defineProps<{ id: string }>()
const SHELVES = ['layers', 'bars', 'recorder', 'moves', 'cards'] as const
type Shelf = (typeof SHELVES)[number]
const route = useRoute()
const router = useRouter()
const sections = useSections()
const section = computed(() => sections.data.value?.find((one) => one.id === props.id))
const shelf = computed<Shelf>({
  get: () => SHELVES.find((one) => one === route.query.shelf) ?? 'layers',
  set: (to) => void router.replace({ query: { shelf: to } }),
})
useTrail(() => [
  { says: section.value?.name ?? '', to: `/sections/${props.id}` },
  { says: say('instruments-title') },
])
</script>

<template>
  <PageState v-if="!section" :error="sections.error.value" @again="sections.refetch()" />
  <div v-else class="page">
    <header class="row head">
      <h1>{{ say('instruments-heading', { section: section.name }) }}</h1>
      <ChoiceRow
        v-model="shelf"
        :label="say('instruments-shelves')"
        :items="choices('instruments-shelf', [...SHELVES])"
      />
    </header>
    <LayersShelf v-if="shelf === 'layers'" :section="id" />
    <BarsShelf v-else-if="shelf === 'bars'" />
    <RecorderShelf v-else-if="shelf === 'recorder'" />
    <MovesShelf v-else-if="shelf === 'moves'" />
    <CardsShelf v-else />
  </div>
</template>

<style scoped>
.page {
  padding: 18px 22px;
  height: 100%;
  overflow-y: auto;
}
.head {
  gap: 18px;
  padding-bottom: 14px;
}
.head h1 {
  flex: 1;
}
</style>
