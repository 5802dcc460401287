<script setup lang="ts">
// What is kept of children: how long, who looked, who was erased; and the end of it all.
import { computed, ref, watch } from 'vue'
import { eraseSchool, setRetention, usePrivacy } from '@/api/privacy'
import { useMe } from '@/api/queries'
import PageState from '@/components/PageState.vue'
import { useKeep } from '@/composables/useKeep'
import { useTrail } from '@/composables/useTrail'
import { shortDay, shortMoment } from '@/composables/words'
import { say, sayOf } from '@/locales/say'

useTrail(() => [{ says: say('set-up-title'), to: '/set-up' }, { says: say('privacy-title') }])
const me = useMe()
const read = usePrivacy()
const { refused, busy, keep } = useKeep()
const years = ref(0)
const days = ref(0)
const done = ref('')
watch(
  () => read.data.value,
  (now) => {
    if (!now) return
    years.value = now.left_years
    days.value = now.log_days
  },
  { immediate: true },
)
const same = computed(
  () => read.data.value?.left_years === years.value && read.data.value.log_days === days.value,
)
async function keepTimes() {
  const body = { left_years: Number(years.value), log_days: Number(days.value) }
  done.value = (await keep(() => setRetention(body))) ? say('privacy-kept') : ''
}
const ending = ref(false)
const name = ref('')
async function endAll() {
  if (await keep(() => eraseSchool(name.value))) window.location.assign('/')
}
</script>

<template>
  <PageState v-if="!read.data.value" :error="read.error.value" @again="read.refetch()" />
  <div v-else class="page">
    <header class="stack">
      <h1>{{ say('privacy-title') }}</h1>
      <p class="lead">{{ say('privacy-lead') }}</p>
      <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
      <p v-if="done" role="status">● {{ done }}</p>
    </header>
    <div class="two">
      <section class="stack">
        <h2>{{ say('privacy-looked') }}</h2>
        <p v-if="!read.data.value.accesses.length" class="quiet">{{ say('privacy-nobody') }}</p>
        <!-- Native: a table of facts. -->
        <table v-else class="facts">
          <thead>
            <tr>
              <th scope="col">{{ say('privacy-when') }}</th>
              <th scope="col">{{ say('privacy-who') }}</th>
              <th scope="col">{{ say('privacy-what') }}</th>
              <th scope="col">{{ say('privacy-child') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, index) in read.data.value.accesses" :key="index">
              <td>{{ shortMoment(one.moment) }}</td>
              <td>{{ one.who ?? '–' }}</td>
              <td>{{ sayOf('privacy-accesses', one.what) }}</td>
              <td>{{ one.child ?? '–' }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <div class="stack side">
        <section class="stack">
          <h2>{{ say('privacy-how-long') }}</h2>
          <v-form class="stack" @submit.prevent="keepTimes">
            <v-text-field
              v-model.number="years"
              type="number"
              min="0"
              max="20"
              :label="say('privacy-years')"
            />
            <v-text-field
              v-model.number="days"
              type="number"
              min="30"
              max="3650"
              :label="say('privacy-days')"
            />
            <p class="small quiet">
              {{
                read.data.value.first
                  ? say('privacy-waiting', {
                      n: read.data.value.waiting,
                      day: shortDay(read.data.value.first),
                    })
                  : say('privacy-none-waiting')
              }}
            </p>
            <div class="row">
              <v-btn type="submit" :disabled="busy || same">{{ say('privacy-keep') }}</v-btn>
            </div>
          </v-form>
        </section>
        <section class="stack">
          <h2>{{ say('privacy-erased') }}</h2>
          <p class="small quiet">{{ say('privacy-erase-how') }}</p>
          <ul v-if="read.data.value.erased.length" class="stack">
            <li v-for="one in read.data.value.erased" :key="one.child_id" class="small">
              {{
                say('privacy-erased-one', {
                  id: one.child_id.slice(0, 8),
                  moment: shortMoment(one.erased),
                })
              }}
              {{
                one.backups.length
                  ? say('privacy-still-in', {
                      days: one.backups.map((at) => shortMoment(at)).join('; '),
                    })
                  : say('privacy-in-none')
              }}
            </li>
          </ul>
        </section>
        <section class="stack">
          <h2>{{ say('privacy-end') }}</h2>
          <div v-if="!ending" class="row">
            <v-btn @click="ending = true">{{ say('privacy-end-open') }}</v-btn>
          </div>
          <v-form v-else class="stack" @submit.prevent="endAll">
            <p>△ {{ say('privacy-end-what') }}</p>
            <v-text-field
              v-model="name"
              :label="say('privacy-end-name', { name: me.data.value?.school ?? '' })"
            />
            <div class="row">
              <v-btn type="submit" :disabled="busy || name.trim() !== me.data.value?.school">{{
                say('privacy-end-do')
              }}</v-btn><v-btn @click="ending = false">{{ say('privacy-end-not') }}</v-btn>
            </div>
          </v-form>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.lead {
  max-width: 60em;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(280px, 2fr);
  gap: 40px;
}
.side {
  gap: 32px;
  align-content: start;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
