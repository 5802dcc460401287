<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { useKeys } from '@/composables/useKeys'
import { useTrail } from '@/composables/useTrail'
import { say } from '@/locales/say'

const props = defineProps<{ finds: boolean }>()
const emit = defineEmits<{ find: [] }>()
const trail = useTrail()
useKeys([{ key: '/', says: say('keys-search'), act: () => props.finds && emit('find') }])
</script>

<template>
  <header class="top">
    <nav class="trail" :aria-label="say('app')">
      <template v-for="(step, index) in trail" :key="index">
        <span v-if="index" class="slash" aria-hidden="true">/</span>
        <router-link v-if="step.to" :to="step.to">{{ step.says }}</router-link><span
          v-else
          aria-current="page"
          >{{ step.says }}</span
        >
      </template>
    </nav>
    <div class="row">
      <v-btn
        v-if="finds"
        size="small"
        variant="text"
        class="find narrow"
        :aria-label="say('keys-search')"
        @click="emit('find')"
      >
        <span class="kbd">/</span><v-icon :icon="mdiMagnify" size="20" class="glass" /><span
          class="words"
          >{{ say('keys-search') }}</span
        ></v-btn
      ><slot />
    </div>
  </header>
</template>

<style scoped>
.find .kbd {
  margin: 0 6px 0 0;
}
.top {
  height: 48px;
  flex: none;
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 0 16px 0 24px;
  border-bottom: 1px solid var(--line);
  gap: 16px;
}
.top > .row {
  flex: none;
  flex-wrap: nowrap;
}
.trail {
  min-width: 0;
  display: flex;
  gap: 8px;
  align-items: baseline;
  white-space: nowrap;
  overflow: hidden;
}
.trail a {
  color: var(--granite);
  text-decoration: none;
  padding: 6px 0;
}
.trail a:hover {
  text-decoration: underline;
}
.trail [aria-current] {
  font-weight: 650;
}
.slash {
  color: var(--line);
}
.glass {
  display: none;
}
.find {
  color: var(--granite);
  min-height: 32px;
  padding: 0 6px;
}
@media (max-width: 900px) {
  .find .kbd,
  .find .words {
    display: none;
  }
  .find .glass {
    display: inline-flex;
  }
}
</style>
