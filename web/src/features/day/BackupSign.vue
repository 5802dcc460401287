<script setup lang="ts">
// Says on Today that no backup is recent, or what went wrong with the last; nothing while all is well.
import { useBackupsTold } from '@/api/keeping'
import { shortMoment } from '@/composables/words'
import { say } from '@/locales/say'

const told = useBackupsTold()
</script>

<template>
  <section v-if="told.data.value?.old || told.data.value?.trouble" class="told" role="status">
    <p v-if="told.data.value.trouble">△ {{ told.data.value.trouble }}</p>
    <p v-else>
      △
      {{
        told.data.value.last
          ? say('backups-old', { moment: shortMoment(told.data.value.last) })
          : say('backups-never')
      }}
    </p>
    <router-link to="/backups">{{ say('backups-look') }}</router-link>
  </section>
</template>

<style scoped>
.told p {
  color: var(--iron);
}
</style>
