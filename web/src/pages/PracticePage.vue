<script setup lang="ts">
// Practice: what this class can be given. To read: the next exercise, unseen, at its level. To tell: rounds of questions.
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { outbox } from '@/api/outbox'
import { type Offer, readAgain, type RoundKind, usePractice } from '@/api/practice'
import { useDay } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import OfferList from '@/features/practice/OfferList.vue'
import PracticeHead from '@/features/practice/PracticeHead.vue'
import ReadingView from '@/features/practice/ReadingView.vue'
import RoundView from '@/features/practice/RoundView.vue'
import { NOTHING, useWall } from '@/features/practice/useWall'
import { say } from '@/locales/say'

const props = defineProps<{ id: string }>()
const day = useDay()
const read = usePractice(() => props.id)
const practice = computed(() => read.data.value)
useTrail(() => [
  { says: practice.value?.section ?? '', to: `/sections/${props.id}` },
  { says: say('practice-title') },
])
/** `sort due` of something to read, or `round kind`. */
const picked = ref('')
const nameOf = (one: { sort: string; due: string }) => `${one.sort} ${one.due}`
const kind = computed(() =>
  picked.value.startsWith('round ') ? (picked.value.slice(6) as RoundKind) : null,
)
const offer = computed(() => practice.value?.offers.find((one) => nameOf(one) === picked.value))
watch(
  () => props.id,
  () => (picked.value = ''),
)
watch(
  practice,
  (now) => {
    if (picked.value || !now) return
    const first = now.offers.at(-1)
    picked.value = first ? nameOf(first) : `round ${now.rounds[0]?.kind ?? 'place'}`
  },
  { immediate: true },
)
watch(
  () => outbox.sent.value,
  () => void readAgain(),
)
const reading = useTemplateRef<InstanceType<typeof ReadingView>>('reading')
const round = useTemplateRef<InstanceType<typeof RoundView>>('round')
async function pick(one: Offer) {
  picked.value = nameOf(one)
  await nextTick() // after questions the reading is there only now
  reading.value?.pick(one)
}
const shown = shallowRef(NOTHING)
watch(kind, () => (shown.value = NOTHING))
const wall = useWall(() =>
  kind.value ? { ...NOTHING, face: round.value?.face ?? null } : shown.value,
)
const today = computed(() => day.data.value?.today ?? '')
</script>

<template>
  <PageState v-if="!practice" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="with-drawer">
    <OfferList
      :offers="practice.offers"
      :rounds="practice.rounds"
      :picked="picked"
      @pick="pick"
      @play="picked = `round ${$event}`"
    />
    <RoundView
      v-if="kind"
      ref="round"
      :section="id"
      :kind="kind"
      :today="today"
      :standings="practice.rounds.find((one) => one.kind === kind)"
      :told="practice.told"
    >
      <PracticeHead :id="id" :section="practice.section" :wall="wall" />
      <p v-if="!practice.offers.length" class="empty">
        {{ say('practice-nothing', { section: practice.section }) }}
        <router-link :to="`/sections/${id}`">{{ say('practice-nothing-do') }}</router-link>
      </p>
    </RoundView>
    <ReadingView
      v-else
      :id="id"
      ref="reading"
      :practice="practice"
      :offer="offer"
      :today="today"
      @moved="picked = nameOf($event)"
      @wall="shown = $event"
    >
      <PracticeHead :id="id" :section="practice.section" :wall="wall" />
    </ReadingView>
  </div>
</template>

<style scoped>
.with-drawer {
  display: flex;
  height: 100%;
}
</style>
