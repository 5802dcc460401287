<script setup lang="ts">
// Why a part is there, what to look after, and what else would fit.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ConceptSign from '@/components/ConceptSign.vue'
import ReasonList from '@/components/ReasonList.vue'
import { capital } from '@/composables/words'
import { purposeName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

const FORMS = ['easier', 'harder', 'instead', 'untouched', 'picture'] as const

const props = defineProps<{
  part: Schemas['PartRead']
  alternatives: readonly Schemas['AlternativeRead'][] | null
  over: boolean
  busy: boolean
}>()
/** The first form and the further ones, and which is due; none is for a lesson that is over. */
const forms = computed(() => [
  say('lesson-first-form'),
  ...props.part.forms.map((one) => `${capital(one.stage)}: ${one.says}`),
])
const due = computed(() => (props.part.times === null ? -1 : (props.part.form ?? -1) + 1))
defineEmits<{ pin: []; refuse: []; swap: [to: Schemas['AlternativeRead']] }>()
</script>

<template>
  <div class="stack big">
    <ol class="steps">
      <li v-for="step in part.steps" :key="step">{{ step }}</li>
    </ol>
    <p class="works">
      <strong>{{ say('lesson-works') }}</strong> {{ part.works }}
    </p>
    <p class="small quiet">
      {{ part.kind }}, {{ part.grouping }}; {{ sayOf('lesson-space', part.space) }};
      {{ say('lesson-size', { least: part.least, most: part.most }) }}
    </p>
    <p v-if="part.grown" class="small">
      <strong>{{ part.grown }}</strong>
    </p>
    <p v-if="part.note" class="small note">{{ part.note }}</p>
    <p class="small">
      <router-link :to="`/activities/${part.activity}`">{{ say('activity-open') }}</router-link>
    </p>
    <p v-if="part.props" class="small">{{ say('lesson-props') }}: {{ part.props }}</p>
    <p v-if="part.care" class="care">{{ part.care }}</p>
    <p v-if="part.passes" class="small quiet">{{ say('lesson-may-pass') }}</p>
    <dl v-if="part.easier || part.harder || part.instead" class="forms small">
      <template v-for="form in FORMS" :key="form">
        <template v-if="part[form]">
          <dt>{{ sayOf('lesson-forms', form) }}</dt>
          <dd>{{ part[form] }}</dd>
        </template>
      </template>
    </dl>
    <section v-if="part.forms.length" class="stack">
      <h3>{{ say('lesson-grows') }}</h3>
      <ol class="small grows">
        <li v-for="(says, n) in forms" :key="says" :class="{ now: n === due }">
          <strong v-if="n === due" class="mark">▶</strong>{{ says }}
        </li>
      </ol>
    </section>
    <section class="stack">
      <h3>{{ say('lesson-why') }}</h3>
      <ReasonList :reasons="part.reasons" />
    </section>
    <template v-if="!over">
      <div class="row">
        <v-btn size="small" @click="$emit('pin')">{{
          part.pinned ? say('lesson-unpin') : say('lesson-pin')
        }}</v-btn><v-btn size="small" @click="$emit('refuse')"
          >{{ say('lesson-refuse') }} <span class="kbd">x</span></v-btn
        >
      </div>
      <section class="stack">
        <h3>{{ say('lesson-alternatives') }}</h3>
        <p v-if="!alternatives" class="quiet small">{{ say('state-loading') }}</p>
        <p v-else-if="!alternatives.length" class="quiet small">{{ say('lesson-none') }}</p>
        <ul v-else>
          <li v-for="(one, index) in alternatives" :key="index" class="other">
            <div class="row spread top">
              <span
                ><strong>{{ one.title }}</strong
                ><span v-if="one.song_title || one.recording_title" class="quiet block">{{
                  one.song_title ?? one.recording_title
                }}</span></span
              ><v-btn
                size="small"
                :disabled="busy"
                :aria-label="`${say('lesson-swap')}: ${one.title} ${one.song_title ?? one.recording_title ?? ''}`"
                @click="$emit('swap', one)"
                >{{ say('lesson-swap') }}</v-btn
              >
            </div>
            <p class="row small">
              <template v-if="one.concept && one.purpose"
                ><ConceptSign :sign="one.concept.sign" :name="one.concept.name" :height="18" /><span
                  class="quiet"
                  >{{ purposeName(one.purpose) }}</span
                ></template
              ><span v-if="one.new" class="tag is-new">{{
                say('lesson-new-thing', { what: one.new })
              }}</span>
            </p>
            <p v-if="one.reasons[0]" class="small quiet">{{ one.reasons[0].sentence }}</p>
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.grows li {
  color: var(--granite);
  padding: 2px 0;
}
.grows .now {
  color: var(--ink);
  font-weight: 600;
}
.mark {
  color: var(--dusk);
  padding-right: 6px;
}
.note {
  white-space: pre-line;
  border-left: 3px solid var(--line);
  padding-left: 10px;
}
.big {
  gap: 16px;
}
.forms {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 12px;
}
.forms dt {
  color: var(--granite);
}
.steps {
  display: grid;
  gap: 6px;
}
.other {
  border-top: 1px solid var(--line);
  padding: 9px 0;
  display: grid;
  gap: 3px;
}
.top {
  flex-wrap: nowrap;
  align-items: flex-start;
}
.block {
  display: block;
}
</style>
