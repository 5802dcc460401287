<script setup lang="ts">
// Marks that were made under the wrong class: moved in one act to the one that was in the room, each beside what it stands for. Of
// children who do not belong there they are taken back.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useHearing } from '@/api/lessons'
import { instead, settled, tell } from '@/api/outbox'
import { queryClient, useLedger, useSections } from '@/api/queries'
import FoldPart from '@/components/FoldPart.vue'
import { say } from '@/locales/say'

const props = defineProps<{ lesson: Schemas['LessonRead'] }>()
const hearing = useHearing(
  () => props.lesson.id,
  () => props.lesson.parts[0]?.id ?? '',
  () => ({ concept: '', order: 'rota' }),
)
const marks = computed(() => hearing.data.value?.marks ?? [])
const sections = useSections()
const others = computed(() =>
  (sections.data.value ?? [])
    .filter((one) => one.id !== props.lesson.section.id)
    .map((one) => ({ value: one.id, title: one.name })),
)
const chosen = ref('')
const there = useLedger(chosen)
const known = computed(() => new Set(there.data.value?.children.map((one) => one.id)))
const moving = computed(() => marks.value.filter((one) => known.value.has(one.child_id)))
const done = ref('')
async function move() {
  const here = { section_id: props.lesson.section.id, lesson_id: props.lesson.id }
  const there = { section_id: chosen.value, lesson_id: chosen.value, day: props.lesson.day } // by hand
  const events = marks.value.flatMap((one) => {
    const both = instead(one, here, there)
    return known.value.has(one.child_id) ? both : both.slice(0, 1)
  })
  const moved = moving.value.length
  const counts = { moved, gone: marks.value.length - moved }
  if (!(await tell(...events))) return
  await settled()
  done.value = say('wrong-class-done', counts)
  await queryClient.invalidateQueries()
}
</script>

<template>
  <p v-if="done" role="status" class="small">✓ {{ done }}</p>
  <FoldPart v-else-if="marks.length" class="small">
    <template #title>{{ say('wrong-class', { n: marks.length }) }}</template>
    <div class="row">
      <v-select
        v-model="chosen"
        class="which"
        :label="say('wrong-class-which')"
        :items="others"
      /><template v-if="there.data.value">
        <span>{{
          say('wrong-class-would', { n: moving.length, gone: marks.length - moving.length })
        }}</span><v-btn @click="move">{{ say('wrong-class-move') }}</v-btn>
      </template>
    </div>
  </FoldPart>
</template>

<style scoped>
.which {
  max-width: 220px;
}
</style>
