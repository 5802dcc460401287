<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, body } from '@/api/client'
import { signedInAs, useFirstRun } from '@/api/queries'
import { rules } from '@/api/rules'
import { complete, emptySection } from '@/features/setup/emptySection'
import SectionForm from '@/features/setup/SectionForm.vue'
import { vFirst } from '@/composables/vFirst'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'

const router = useRouter()
const sent = reactive({
  school: '',
  teacher: '',
  login: '',
  password: '',
  bring_songs: true,
  code: '',
})
const section = ref(emptySection())
const { refused, busy, keep } = useKeep()
const first = useFirstRun()
const now = computed(
  () => first.data.value && { weekday: first.data.value.weekday, starts: first.data.value.clock },
)
const missing = computed(
  () =>
    !sent.school ||
    (first.data.value?.code && !sent.code) ||
    !sent.login ||
    sent.password.length < 8 ||
    !complete(section.value) ||
    !section.value.meetings.length,
)
const go = () =>
  keep(async () => {
    const me = await body(
      api.POST('/api/first-run', {
        body: {
          ...sent,
          section: section.value,
          time_zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        },
      }),
    )
    await signedInAs(me)
    await router.replace('/')
  })
</script>

<template>
  <main class="first">
    <form @submit.prevent="go">
      <header class="stack">
        <h1>{{ say('first-run-title') }}</h1>
        <p class="quiet">{{ say('first-run-lead') }}</p>
      </header>
      <div class="two">
        <v-text-field
          v-model="sent.school"
          v-first
          :label="say('first-run-school')"
          :rules="rules('FirstRunBody', 'school')"
          validate-on="blur"
          name="school"
        />
        <v-text-field
          v-model="sent.teacher"
          :label="say('first-run-teacher')"
          name="teacher"
          autocomplete="name"
        />
        <v-text-field
          v-model="sent.login"
          :label="say('first-run-login')"
          :rules="rules('FirstRunBody', 'login')"
          validate-on="blur"
          name="login"
          autocomplete="username"
        />
        <v-text-field
          v-model="sent.password"
          :label="say('first-run-password')"
          :rules="rules('FirstRunBody', 'password')"
          validate-on="blur"
          type="password"
          name="password"
          autocomplete="new-password"
        />
        <v-text-field
          v-if="first.data.value?.code"
          v-model="sent.code"
          :label="say('first-run-code')"
          name="code"
          autocomplete="off"
        />
      </div>
      <hr class="rule" />
      <h2>{{ say('first-run-section') }}</h2>
      <SectionForm v-model="section" :now="now" />
      <v-checkbox v-model="sent.bring_songs" :label="say('first-run-songs')" />
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <div class="row go">
        <v-btn type="submit" class="main" :loading="busy" :disabled="busy || missing">{{
          say('first-run-go')
        }}</v-btn><span class="small quiet" role="status">{{
          busy ? say('first-run-busy') : missing ? say('first-run-missing') : ''
        }}</span>
      </div>
    </form>
  </main>
</template>

<style scoped>
.first {
  height: 100vh;
  overflow: auto;
  padding: 40px 24px;
}
form {
  max-width: 760px;
  margin: 0 auto;
  display: grid;
  gap: 18px;
  justify-items: stretch;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.go {
  gap: 14px;
}
@media (max-width: 600px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
