<script setup lang="ts">
// One's own password, and the devices on which one is signed in.
import { ref } from 'vue'
import { changePassword, signOutDevice, useDevices } from '@/api/adults'
import { useKeep } from '@/composables/useKeep'
import { shortMoment } from '@/composables/words'
import { browserOf } from './browserOf'
import { say } from '@/locales/say'

const devices = useDevices()
const { refused, busy, keep } = useKeep()
const old = ref('')
const next = ref('')
const done = ref(false)
async function change() {
  done.value = await keep(() => changePassword(old.value, next.value))
  if (done.value) old.value = next.value = ''
}
</script>

<template>
  <v-form class="stack" @submit.prevent="change">
    <h3>{{ say('you-password') }}</h3>
    <v-text-field
      v-model="old"
      :label="say('you-password-old')"
      type="password"
      autocomplete="current-password"
    />
    <v-text-field
      v-model="next"
      :label="say('link-choose')"
      type="password"
      autocomplete="new-password"
    />
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <p v-if="done" role="status">● {{ say('you-password-done') }}</p>
    <div class="row">
      <v-btn type="submit" :disabled="busy || !old || next.length < 8">{{
        say('you-password-do')
      }}</v-btn>
    </div>
  </v-form>
  <h3>{{ say('you-devices') }}</h3>
  <ul class="stack">
    <li v-for="one in devices.data.value ?? []" :key="one.id" class="row">
      <span
        >{{ browserOf(one.agent) }},
        {{
          one.here ? say('you-here') : say('you-since', { moment: shortMoment(one.created) })
        }}</span
      >
      <v-btn
        v-if="!one.here"
        size="small"
        :disabled="busy"
        @click="keep(() => signOutDevice(one.id))"
        >{{ say('you-sign-out') }}</v-btn
      >
    </li>
  </ul>
</template>
