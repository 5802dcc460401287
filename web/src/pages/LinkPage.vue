<script setup lang="ts">
// A link that works once: somebody invited chooses how to sign in, or somebody who is there a new password.
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useLink, useUpLink } from '@/api/adults'
import HillMark from '@/components/HillMark.vue'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { say } from '@/locales/say'

const props = defineProps<{ token: string }>()
const router = useRouter()
const read = useLink(props.token)
const { refused, busy, keep } = useKeep()
const login = ref('')
const password = ref('')
const there = computed(() => read.data.value?.login != null)
watch(
  () => read.data.value?.login,
  (known) => (login.value = known ?? ''),
  { immediate: true },
)
async function go() {
  if (await keep(() => useUpLink(props.token, login.value.trim(), password.value)))
    await router.replace('/sign-in')
}
</script>

<template>
  <main class="door">
    <HillMark />
    <div v-if="!read.data.value">
      <h1>{{ say('app') }}</h1>
      <PageState :error="read.error.value" @again="read.refetch()" />
    </div>
    <v-form v-else class="stack" @submit.prevent="go">
      <h1>{{ say('link-title', { name: read.data.value.name }) }}</h1>
      <p class="quiet">
        {{ say(there ? 'link-password' : 'link-lead', { school: read.data.value.school }) }}
      </p>
      <v-text-field
        v-model="login"
        :label="say('sign-in-login')"
        :disabled="there"
        autocomplete="username"
        name="login"
      />
      <v-text-field
        v-model="password"
        :label="say('link-choose')"
        type="password"
        autocomplete="new-password"
        name="password"
      />
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <v-btn type="submit" class="main" :disabled="busy || !login.trim() || password.length < 8">{{
        say('link-go')
      }}</v-btn>
    </v-form>
  </main>
</template>

<style scoped>
.door {
  max-width: 420px;
  margin: 10vh auto;
  padding: 24px;
  display: grid;
  gap: 24px;
}
</style>
