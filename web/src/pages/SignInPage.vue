<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, body } from '@/api/client'
import { signedInAs } from '@/api/queries'
import HillMark from '@/components/HillMark.vue'
import { useKeep } from '@/composables/useKeep'
import { vFirst } from '@/composables/vFirst'
import { say } from '@/locales/say'

const route = useRoute()
const router = useRouter()
const login = ref('')
const password = ref('')
const { refused, busy, keep } = useKeep()
const others = ref(false)
const plain = !window.isSecureContext

const go = () =>
  keep(async () => {
    const me = await body(
      api.POST('/api/sign-in', {
        body: {
          login: login.value.trim(),
          password: password.value,
          end_others: others.value,
        },
      }),
    )
    await signedInAs(me)
    const to =
      typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/'
    await router.replace(to === '/sign-in' ? '/' : to)
  })
</script>

<template>
  <main class="door">
    <HillMark />
    <form class="stack" @submit.prevent="go">
      <h1>{{ say('app') }}</h1>
      <p class="quiet">{{ say('sign-in-lead') }}</p>
      <v-text-field
        v-model="login"
        v-first
        :label="say('sign-in-login')"
        autocomplete="username"
        name="login"
      />
      <v-text-field
        v-model="password"
        :label="say('sign-in-password')"
        type="password"
        autocomplete="current-password"
        name="password"
      />
      <v-checkbox v-model="others" :label="say('sign-in-others')" />
      <p v-if="plain" class="small">△ {{ say('sign-in-plain') }}</p>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <v-btn type="submit" class="main" :disabled="busy || !login">{{ say('sign-in-go') }}</v-btn>
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  grid-template-columns: 1.3fr 1fr;
  align-items: end;
  gap: 40px;
}
form {
  padding: 0 48px 18vh 0;
  gap: 16px;
  max-width: 400px;
}
h1 {
  font-size: 40px;
}
@media (max-width: 900px) {
  .door {
    grid-template-columns: 1fr;
    align-items: center;
    padding: 24px;
  }
  form {
    padding: 0;
  }
}
</style>
