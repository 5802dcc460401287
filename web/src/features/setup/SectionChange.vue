<script setup lang="ts">
// What a section is called, which grades it holds, how long and when it meets: changed here, and taken back at the foot.
import type { Schemas } from '@/api/client'
import { changeSection, useSectionDetail } from '@/api/setup'
import { useDraft } from '@/api/drafts'
import { useKeep } from '@/composables/useKeep'
import { offerUndo } from '@/composables/useUndo'
import { say } from '@/locales/say'
import { complete, emptySection } from './emptySection'
import SectionForm from './SectionForm.vue'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ done: [] }>()
const detail = useSectionDetail(() => props.id)
const { refused, busy, keep: keeping } = useKeep()
const body = (one: Schemas['SectionDetail'] | Schemas['SectionBody']) => ({
  name: one.name,
  grade: one.grade,
  upper: one.upper === one.grade ? null : (one.upper ?? null),
  minutes: one.minutes,
  meetings: one.meetings.map((meeting) => ({ ...meeting, minutes: meeting.minutes ?? null })),
})
const { draft: section } = useDraft(
  () => `/sections/${props.id}`,
  () => detail.data.value,
  (now) => ({ ...emptySection(), ...body(now) }),
)
const keep = () =>
  keeping(async () => {
    if (!section.value) return
    const before = detail.data.value && body(detail.data.value)
    const now = await changeSection(props.id, body(section.value))
    if (before)
      offerUndo(say('section-changed', { name: now.name }), () => changeSection(props.id, before))
    emit('done')
  })
</script>

<template>
  <form v-if="section" class="stack change" @submit.prevent="keep">
    <SectionForm v-model="section" there />
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <div>
      <v-btn type="submit" class="main" :disabled="busy || !complete(section)">{{
        say('child-keep')
      }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.change {
  gap: 16px;
}
</style>
