<script setup lang="ts">
// What is known about a song beside its notes: where it comes from, in which language, whether that was verified, when it is sung, what to take care of.
import { rules } from '@/api/rules'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { sayAbout } from '@/api/songs'
import { useDraft } from '@/api/drafts'
import { useKeep } from '@/composables/useKeep'
import { toneSetName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  song: Schemas['SongRead']
  twins: readonly Schemas['TwinRead'][]
  concepts: readonly Schemas['ConceptRead'][]
}>()
const FIELDS = [
  'composer',
  'words',
  'origin',
  'language',
  'source',
  'rights',
  'season',
  'culture',
  'game',
  'care',
  'note',
] as const
const editing = ref(false)
const { refused, keep: keeping } = useKeep()
const { draft } = useDraft(
  () => `/songs/${props.song.id}`,
  () => props.song,
  (now) => ({ title: now.title, facts: { ...now.facts } as Record<string, string> }),
)
/** A role names concepts by their keys; people read names. */
const named = (role: string) =>
  role.replace(
    /(presents|practises|prepares) ([\w-]+)/g,
    (_, verb: string, key: string) =>
      `${verb} ${props.concepts.find((one) => one.key === key)?.name ?? key}`,
  )
const shown = computed(() =>
  Object.entries(props.song.facts).map(
    ([key, value]) => [key, key === 'role' ? named(value) : value] as const,
  ),
)
async function keep() {
  const now = draft.value
  if (now && (await keeping(() => sayAbout(props.song.id, now.title, now.facts))))
    editing.value = false
}
</script>

<template>
  <section class="stack">
    <div class="row spread">
      <h2>{{ say('song-facts') }}</h2>
      <v-btn v-if="!editing" size="small" @click="editing = true">{{ say('about-change') }}</v-btn>
    </div>
    <form v-if="editing && draft" class="form" @submit.prevent="keep">
      <v-text-field
        v-model="draft.title"
        :label="say('typing-name')"
        required
        :rules="rules('AboutBody', 'title')"
        validate-on="blur"
      />
      <v-text-field
        v-for="field in FIELDS"
        :key="field"
        v-model="draft.facts[field]"
        :label="sayOf('song-names', field)"
        maxlength="600"
      />
      <v-select
        v-model="draft.facts.verified"
        :label="say('song-names-verified')"
        :items="[
          { value: null, title: say('about-unsaid') },
          { value: 'yes', title: say('about-yes') },
          { value: 'no', title: say('about-no') },
        ]"
      />
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <div class="row">
        <v-btn class="main" type="submit">{{ say('about-keep') }}</v-btn><v-btn
          @click="editing = false"
          >{{ say('about-leave') }}</v-btn
        >
      </div>
    </form>
    <dl v-else-if="shown.length" class="facts">
      <template v-for="[name, value] in shown" :key="name"
        ><dt class="small quiet">{{ sayOf('song-names', name) }}</dt>
        <dd :class="{ care: name === 'care' }">{{ value }}</dd></template
      >
    </dl>
    <p v-else class="quiet">{{ say('about-nothing') }}</p>
    <p v-if="!song.facts.verified" class="small quiet">{{ say('about-unverified') }}</p>
    <section v-if="twins.length" class="stack">
      <h3>{{ say('about-twins') }}</h3>
      <ul>
        <li v-for="one in twins" :key="one.id">
          <router-link :to="`/songs/${one.id}`"
            >{{ one.tone_set_name ? toneSetName(one.tone_set_name) : say('song-rests-not') }},
            {{ one.meter }}, {{ say('songs-bars', { n: one.bars }) }}</router-link
          >
        </li>
      </ul>
    </section>
  </section>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 4px 12px;
}
.form {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px 24px;
}
.form > p,
.form > div {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .form {
    grid-template-columns: 1fr;
  }
}
</style>
