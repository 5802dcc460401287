<script setup lang="ts">
// The ledger, practice or instruments, without a section named: that of the one whose lesson is next.
import { watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDay, useSections } from '@/api/queries'
import PageState from '@/components/PageState.vue'

const props = defineProps<{ place: 'ledger' | 'practice' | 'instruments' }>()
const router = useRouter()
const day = useDay()
const sections = useSections()
watch(
  [() => day.data.value, () => sections.data.value],
  ([today, all]) => {
    const next = today?.entries.find((entry) => entry.starts >= today.now) ?? today?.entries[0]
    const id = next?.section.id ?? all?.[0]?.id
    if (today && all && id) void router.replace(`/sections/${id}/${props.place}`)
  },
  { immediate: true },
)
</script>

<template><PageState :error="sections.error.value" @again="sections.refetch()" /></template>
