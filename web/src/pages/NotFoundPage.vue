<script setup lang="ts">
// An address that leads nowhere: an old link, a slip of the pen.
import { useRoute } from 'vue-router'
import { useTrail } from '@/composables/useTrail'
import { say } from '@/locales/say'

useTrail(() => [{ says: say('not-found-title') }])
const route = useRoute()
</script>

<template>
  <div class="page stack">
    <h1>{{ say('not-found-title') }}</h1>
    <p class="quiet">{{ say('not-found-lead', { address: route.path }) }}</p>
    <div class="row">
      <v-btn class="main" to="/">{{ say('places-today') }}</v-btn><v-btn to="/songs">{{
        say('places-songs')
      }}</v-btn
      ><v-btn to="/week">{{ say('places-week') }}</v-btn>
    </div>
  </div>
</template>
