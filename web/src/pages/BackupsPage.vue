<script setup lang="ts">
// Is everything safe? When the last backup was made, whether it can be read, where they lie, who can open them.
import { computed, ref } from 'vue'
import {
  backupAddress,
  makeBackup,
  sealBackups,
  setBackupFolder,
  unsealBackups,
  useBackups,
} from '@/api/keeping'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { useTrail } from '@/composables/useTrail'
import { shortMoment } from '@/composables/words'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('set-up-title'), to: '/set-up' }, { says: say('backups-title') }])
const read = useBackups()
const { refused, busy, keep } = useKeep()
const last = computed(() => read.data.value?.files[0])
const folder = ref<string>()
const passphrase = ref('')
const again = ref('')
const done = ref('')
const differs = computed(() => again.value !== '' && again.value !== passphrase.value)
const kind = (one: { before_update: boolean; sealed: boolean }) =>
  [
    one.before_update ? say('backups-before-update') : say('backups-usual'),
    one.sealed ? say('backups-sealed') : '',
  ]
    .filter(Boolean)
    .join(', ')

async function make() {
  done.value = ''
  if (await keep(makeBackup)) done.value = say('backups-made')
}
async function seal() {
  done.value = ''
  if (!(await keep(() => sealBackups(passphrase.value)))) return
  passphrase.value = again.value = ''
  done.value = say('backups-sealed-now')
}
async function choose() {
  const chosen = folder.value ?? ''
  if (await keep(() => setBackupFolder(chosen))) folder.value = undefined
}
</script>

<template>
  <PageState v-if="!read.data.value" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page">
    <header>
      <h1>{{ say('backups-title') }}</h1>
      <p v-if="read.data.value.trouble" class="wrong" role="alert">
        △ {{ read.data.value.trouble }}
      </p>
      <p class="state" :class="{ wrong: read.data.value.old }">
        <template v-if="last">
          {{ read.data.value.old ? '△' : '●' }}
          {{ say('backups-last', { moment: shortMoment(last.made) }) }}
        </template>
        <template v-else>△ {{ say('backups-none') }}</template>
      </p>
      <p class="quiet">
        {{
          read.data.value.checked
            ? say('backups-checked', { moment: shortMoment(read.data.value.checked) })
            : say('backups-not-checked')
        }}
        {{
          read.data.value.tried
            ? say('backups-tried', { moment: shortMoment(read.data.value.tried) })
            : say('backups-not-tried')
        }}
      </p>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <p v-if="done" role="status">● {{ done }}</p>
      <div class="row">
        <v-btn color="primary" :loading="busy" @click="make">{{ say('backups-make') }}</v-btn>
      </div>
    </header>
    <div class="two">
      <section class="stack">
        <h2>{{ say('backups-kept') }}</h2>
        <p class="quiet small">{{ say('backups-rule') }}</p>
        <!-- Native: a table of facts. -->
        <table v-if="read.data.value.files.length" class="facts">
          <thead>
            <tr>
              <th scope="col">{{ say('backups-of') }}</th>
              <th scope="col">{{ say('backups-kind') }}</th>
              <th scope="col" class="number">{{ say('backups-size') }}</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in read.data.value.files" :key="one.name">
              <th scope="row">{{ shortMoment(one.made) }}</th>
              <td>{{ kind(one) }}</td>
              <td class="number">{{ say('backups-kilobytes', { n: one.kilobytes }) }}</td>
              <td>
                <a v-if="!read.data.value.several" :href="backupAddress(one.name)" download>{{
                  say('backups-take')
                }}</a>
              </td>
            </tr>
          </tbody>
        </table>
        <p class="small">{{ say('backups-elsewhere') }}</p>
        <h2>{{ say('backups-back') }}</h2>
        <p class="small">{{ say('backups-back-how') }}</p>
        <pre class="command">kopje restore {{ last?.name ?? 'kopje-….zip' }}</pre>
      </section>
      <section class="stack">
        <h2>{{ say('backups-where') }}</h2>
        <p class="small">{{ read.data.value.folder }}</p>
        <v-form class="stack" @submit.prevent="choose">
          <v-text-field v-model="folder" :label="say('backups-folder')" />
          <p class="small quiet">{{ say('backups-folder-hint') }}</p>
          <div class="row">
            <v-btn type="submit" :disabled="folder === undefined || busy">{{
              say('backups-folder-keep')
            }}</v-btn>
            <v-btn
              v-if="!read.data.value.usual"
              :disabled="busy"
              @click="keep(() => setBackupFolder(''))"
              >{{ say('backups-folder-usual') }}</v-btn
            >
          </div>
        </v-form>
        <h2>{{ say('backups-seal') }}</h2>
        <template v-if="read.data.value.sealed">
          <p>● {{ say('backups-seal-on') }}</p>
          <div class="row">
            <v-btn :disabled="busy" @click="keep(unsealBackups)">{{
              say('backups-seal-off')
            }}</v-btn>
          </div>
        </template>
        <v-form v-else class="stack" @submit.prevent="seal">
          <p class="small">{{ say('backups-seal-why') }}</p>
          <v-text-field
            v-model="passphrase"
            type="password"
            autocomplete="new-password"
            :label="say('backups-passphrase')"
          />
          <v-text-field
            v-model="again"
            type="password"
            autocomplete="new-password"
            :label="say('backups-passphrase-again')"
            :error-messages="differs ? say('backups-passphrase-differs') : ''"
          />
          <p class="small">△ {{ say('backups-seal-care') }}</p>
          <div class="row">
            <v-btn type="submit" :disabled="busy || differs || !passphrase || !again">{{
              say('backups-seal-do')
            }}</v-btn>
          </div>
        </v-form>
      </section>
    </div>
  </div>
</template>

<style scoped>
header {
  display: grid;
  gap: 8px;
}
.state {
  font-weight: 600;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(280px, 2fr);
  gap: 32px;
}
.command {
  background: var(--wash);
  padding: 10px 14px;
  overflow: auto;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
