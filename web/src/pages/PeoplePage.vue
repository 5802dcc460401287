<script setup lang="ts">
// Who may come in: the adults of the school, links that wait, and inviting one more.
import { computed, ref } from 'vue'
import {
  changeAdult,
  invite,
  newPasswordLink,
  removeAdult,
  ROLES,
  useAdults,
  withdrawLink,
  type Adult,
  type Role,
} from '@/api/adults'
import { useMe, useSections } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { useTrail } from '@/composables/useTrail'
import { shortMoment } from '@/composables/words'
import { say, sayOf } from '@/locales/say'

useTrail(() => [{ says: say('set-up-title'), to: '/set-up' }, { says: say('people-title') }])
const me = useMe()
const read = useAdults()
const { refused, busy, keep } = useKeep()
const name = ref('')
const role = ref<Role>('teacher')
const link = ref('')
const whose = ref('')
const leaving = ref('')
const sections = useSections()
const given = ref<string[]>([])
const until = ref('')
const choices = computed(() =>
  (sections.data.value ?? []).map((one) => ({ value: one.id, title: one.name })),
)
const roles = computed(() => ROLES.map((value) => ({ value, title: sayOf('people-role', value) })))

async function show(made: () => Promise<string>, called: string) {
  link.value = ''
  await keep(async () => {
    link.value = await made()
    whose.value = called
  })
}
async function ask() {
  const called = name.value.trim()
  const body = { name: called, role: role.value, until: until.value || null, sections: given.value }
  await show(() => invite(body), called)
  if (refused.value) return
  name.value = until.value = ''
  given.value = []
}
const become = (one: Adult, next: Partial<Adult>) => {
  const { id, name, role, until, sections } = { ...one, ...next }
  return keep(() => changeAdult(id, { name, role, until: until || null, sections }))
}
const hasSections = (one: Role) => one !== 'viewer'
async function leave(one: Adult) {
  if (leaving.value !== one.id) {
    leaving.value = one.id
    return
  }
  leaving.value = ''
  await keep(() => removeAdult(one.id))
}
const copy = () => void navigator.clipboard?.writeText(link.value)
</script>

<template>
  <PageState v-if="!read.data.value" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page">
    <header>
      <h1>{{ say('people-title') }}</h1>
      <p class="quiet">{{ say('people-lead') }}</p>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    </header>
    <div class="two">
      <section class="stack">
        <ul class="adults">
          <li v-for="one in read.data.value.adults" :key="one.id" class="adult">
            <p>
              <strong>{{ one.name }}</strong>
              <span class="quiet">
                {{ one.id === me.data.value?.id ? say('people-you') : '' }}
                {{ say('people-signs-in', { login: one.login }) }}</span
              >
            </p>
            <div class="fields">
              <v-select
                :model-value="one.role"
                :label="say('people-may')"
                :aria-label="say('people-role-of', { name: one.name })"
                :items="roles"
                :disabled="busy"
                @update:model-value="become(one, { role: $event })"
              />
              <v-select
                v-if="hasSections(one.role)"
                :model-value="one.sections"
                :label="say('people-sections')"
                :aria-label="say('people-sections-of', { name: one.name })"
                :items="choices"
                :placeholder="say(one.role === 'substitute' ? 'people-no-section' : 'people-all')"
                persistent-placeholder
                :disabled="busy"
                multiple
                @update:model-value="become(one, { sections: $event })"
              />
              <v-text-field
                :model-value="one.until ?? ''"
                type="date"
                :label="say('people-until')"
                :aria-label="say('people-until-of', { name: one.name })"
                :disabled="busy"
                @change="become(one, { until: $event.target.value })"
              />
            </div>
            <div class="row">
              <v-btn
                size="small"
                :disabled="busy"
                @click="show(() => newPasswordLink(one.id), one.name)"
                >{{ say('people-password') }}</v-btn
              >
              <v-btn
                v-if="one.id !== me.data.value?.id"
                size="small"
                :disabled="busy"
                @click="leave(one)"
                >{{
                  leaving === one.id
                    ? say('people-remove-sure', { name: one.name })
                    : say('people-remove')
                }}</v-btn
              >
            </div>
          </li>
        </ul>
        <template v-if="read.data.value.waiting.length">
          <h2>{{ say('people-waiting') }}</h2>
          <ul class="stack">
            <li v-for="one in read.data.value.waiting" :key="one.id" class="row">
              <span>{{
                say(one.teacher_id ? 'people-waits-password' : 'people-waits', {
                  name: one.name,
                  until: shortMoment(one.expires),
                })
              }}</span>
              <v-btn size="small" :disabled="busy" @click="keep(() => withdrawLink(one.id))">{{
                say('people-withdraw')
              }}</v-btn>
            </li>
          </ul>
        </template>
      </section>
      <section class="stack">
        <h2>{{ say('people-invite') }}</h2>
        <v-form class="stack" @submit.prevent="ask">
          <v-text-field v-model="name" :label="say('people-name')" />
          <v-select v-model="role" :label="say('people-may')" :items="roles" />
          <p class="small quiet">{{ sayOf('people-about', role) }}</p>
          <v-select
            v-if="hasSections(role)"
            v-model="given"
            :label="say('people-sections')"
            :items="choices"
            :placeholder="say(role === 'substitute' ? 'people-no-section' : 'people-all')"
            persistent-placeholder
            multiple
          />
          <v-text-field v-model="until" type="date" :label="say('people-until')" />
          <div class="row">
            <v-btn type="submit" :disabled="busy || !name.trim()">{{
              say('people-make-link')
            }}</v-btn>
          </div>
        </v-form>
        <div v-if="link" class="stack made" role="status">
          <p>{{ say('people-link', { name: whose }) }}</p>
          <pre class="link">{{ link }}</pre>
          <div class="row">
            <v-btn size="small" @click="copy">{{ say('people-copy') }}</v-btn>
          </div>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(260px, 1.4fr);
  gap: 32px;
}
.adults {
  list-style: none;
  padding: 0;
}
.adult {
  display: grid;
  gap: 10px;
  padding: 14px 0;
  border-top: 1px solid var(--line);
}
.fields {
  display: grid;
  grid-template-columns: 180px minmax(0, 1fr) 170px;
  gap: 10px;
}
.fields > :last-child {
  grid-column: -2;
}
@media (max-width: 700px) {
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
.made {
  border: 1px solid var(--line);
  padding: 14px;
}
.link {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  background: var(--wash);
  padding: 10px;
}
@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
