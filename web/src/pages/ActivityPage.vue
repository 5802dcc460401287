<script setup lang="ts">
// One activity: how it goes, what it works on, what is kept beside it; changed if it is the teacher's own, else copied.
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useActivity, useActivityActs, useActivityWords } from '@/api/activities'
import { useConcepts } from '@/api/queries'
import ConceptSign from '@/components/ConceptSign.vue'
import PageState from '@/components/PageState.vue'
import { useTrail } from '@/composables/useTrail'
import { offerUndo } from '@/composables/useUndo'
import { useUnsaved } from '@/composables/useUnsaved'
import ActivityBeside from '@/features/activities/ActivityBeside.vue'
import { bodyOf, complete, emptyActivity } from '@/features/activities/activityBody'
import ActivityForm from '@/features/activities/ActivityForm.vue'
import { purposeName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const fresh = computed(() => props.id === 'new')
const like = computed(() => (fresh.value ? String(route.query.like ?? '') : props.id))
const read = useActivity(like)
const words = useActivityWords()
const concepts = useConcepts()
const acts = useActivityActs(() => props.id)
const editing = ref(false)
const told = ref(emptyActivity())
const before = ref('')
const found = computed(() => (fresh.value ? undefined : read.data.value))
useTrail(() => [
  { says: say('activities-title'), to: '/activities' },
  { says: found.value?.title ?? say('activities-write') },
])
const dirty = computed(() => editing.value && JSON.stringify(told.value) !== before.value)
useUnsaved(dirty)
function begin() {
  const from = read.data.value
  told.value = from ? bodyOf(from, fresh.value ? from.key : null) : emptyActivity()
  if (fresh.value && from) told.value.title = ''
  before.value = JSON.stringify(told.value)
  editing.value = true
}
watch(
  () => [fresh.value, read.data.value?.key, like.value] as const,
  ([isNew, key, from]) => {
    if (!isNew) editing.value = false
    else if (!from || key === from) begin()
  },
  { immediate: true },
)
const all = Object.values(acts)
const busy = computed(() => all.some((one) => one.isPending.value))
const error = computed(() => all.map((one) => one.error.value).find(Boolean))
async function keep() {
  const sent = { ...told.value, steps: told.value.steps.filter((step) => step.trim()) }
  const was = found.value && bodyOf(found.value, null)
  const act = fresh.value ? acts.write : acts.change
  const kept = await act.mutateAsync(sent).catch(() => undefined)
  if (!kept) return
  editing.value = false
  if (fresh.value) await router.replace(`/activities/${kept.key}`)
  else if (was)
    offerUndo(say('activity-changed', { title: kept.title }), () => acts.change.mutateAsync(was))
}
async function away() {
  const title = found.value?.title ?? ''
  await acts.away.mutateAsync(undefined)
  offerUndo(say('activity-away-did', { title }), () => acts.back.mutateAsync(undefined))
}
</script>

<template>
  <PageState
    v-if="!words.data.value || (!fresh && !found) || (like && !read.data.value)"
    :error="read.error.value ?? words.error.value"
    @again="read.refetch()"
  />
  <div v-else class="page">
    <header class="row spread">
      <h1>{{ found?.title ?? say('activities-write') }}</h1>
      <div v-if="found && !editing" class="row">
        <v-btn v-if="found.own && !found.gone" @click="begin">{{
          say('activity-change')
        }}</v-btn><v-btn :to="`/activities/new?like=${found.key}`">{{ say('activity-copy') }}</v-btn
        ><v-btn v-if="found.own && !found.gone" :disabled="busy" @click="away">{{
          say('activity-away')
        }}</v-btn
        ><v-btn v-if="found.gone" :disabled="busy" @click="acts.back.mutate()">{{
          say('activity-back')
        }}</v-btn>
      </div>
    </header>
    <p v-if="error" class="wrong" role="alert">△ {{ error.message }}</p>
    <p v-if="found?.gone" class="quiet">{{ say('activity-is-away') }}</p>
    <form v-if="editing" class="stack writing" @submit.prevent="keep">
      <ActivityForm
        v-model="told"
        :words="words.data.value"
        :concepts="concepts.data.value ?? []"
        :inherited="!!read.data.value && !read.data.value.about.length"
      />
      <div class="row">
        <v-btn type="submit" class="main" :disabled="busy || !complete(told)">{{
          say('child-keep')
        }}</v-btn><v-btn v-if="!fresh" @click="editing = false">{{ say('activity-leave') }}</v-btn>
      </div>
    </form>
    <div v-else-if="found" class="two">
      <section class="stack">
        <ol class="steps">
          <li v-for="step in found.said" :key="step">{{ step }}</li>
        </ol>
        <p v-if="found.works">
          <strong>{{ say('lesson-works') }}</strong> {{ found.works }}
        </p>
        <p v-if="found.care" class="care">{{ found.care }}</p>
        <p class="quiet">
          {{ found.kind }}, {{ sayOf('activity-energy', found.energy) }};
          {{
            say('activity-between', {
              least: found.minutes[0] ?? 0,
              usual: found.minutes[1] ?? 0,
              most: found.minutes[2] ?? 0,
            })
          }}; {{ say('grade-of', { n: found.low }) }} – {{ say('grade-of', { n: found.high }) }};
          {{ say('lesson-size', { least: found.fewest, most: found.at_most }) }}
        </p>
        <p v-if="found.props" class="small">{{ say('lesson-props') }}: {{ found.props }}</p>
        <p v-if="found.purposes.length" class="small">
          {{ say('activity-phases') }}: {{ found.purposes.map(purposeName).join(', ') }}
        </p>
        <p v-if="found.about.length" class="row">
          <span v-for="one in found.about" :key="one.key" class="row concept"
            ><ConceptSign :sign="one.sign" :name="one.name" :height="20" />{{ one.name }}</span
          >
        </p>
        <dl class="small forms">
          <template v-for="form in ['easier', 'harder', 'instead'] as const" :key="form">
            <template v-if="found[form]">
              <dt>{{ sayOf('lesson-forms', form) }}</dt>
              <dd>{{ found[form] }}</dd>
            </template>
          </template>
        </dl>
        <template v-if="found.forms.length">
          <h2>{{ say('lesson-grows') }}</h2>
          <ol class="small">
            <li v-for="form in found.forms" :key="form.says">
              {{ words.data.value.stages.find((one) => one.key === form.stage)?.name }}:
              {{ form.says }}
            </li>
          </ol>
        </template>
      </section>
      <ActivityBeside
        :activity="found"
        :busy="busy"
        @keep="acts.note.mutate($event)"
        @files="acts.addFiles.mutate($event)"
        @drop="acts.dropFile.mutate($event)"
      />
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(260px, 1fr);
  gap: 40px;
  align-items: start;
}
.writing {
  max-width: 880px;
  gap: 18px;
}
.steps {
  display: grid;
  gap: 8px;
  font-size: 18px;
}
.concept {
  gap: 6px;
}
.forms {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 12px;
}
.forms dt {
  color: var(--granite);
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
