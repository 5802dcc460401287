<script setup lang="ts">
// The keys of the page that is open; `?` opens and closes it.
import { computed, ref } from 'vue'
import { openKeys, useKeys } from '@/composables/useKeys'
import { say } from '@/locales/say'

const open = ref(false)
const acts = computed(() => openKeys.acts.filter((one) => one.says))
const shown = (key: string) =>
  ({
    ' ': say('keys-space'),
    ArrowRight: '→',
    ArrowLeft: '←',
    ArrowUp: '↑',
    ArrowDown: '↓',
    Backspace: '⌫',
  })[key] ?? key
useKeys([
  { key: '?', says: say('keys-help'), act: () => (open.value = !open.value) },
  { key: 'Escape', says: '', act: () => (open.value = false) },
])
</script>

<template>
  <v-btn
    size="small"
    variant="text"
    class="opener narrow"
    :aria-expanded="open"
    aria-controls="key-sheet"
    @click="open = !open"
  >
    <span class="kbd">?</span> {{ say('keys-open') }}
  </v-btn>
  <section v-if="open" id="key-sheet" class="keys sheet" :aria-label="say('keys-title')">
    <div class="row spread">
      <h2>{{ say('keys-title') }}</h2>
      <v-btn size="small" @click="open = false">{{ say('keys-close') }}</v-btn>
    </div>
    <dl>
      <template v-for="act in acts" :key="act.key"
        ><dt>
          <span class="kbd">{{ shown(act.key) }}</span>
        </dt>
        <dd>{{ act.says }}</dd></template
      >
    </dl>
  </section>
</template>

<style scoped>
.opener .kbd {
  margin: 0 6px 0 0;
}
.opener {
  color: var(--granite);
  min-height: 32px;
  padding: 0 6px;
}
.keys {
  position: fixed;
  z-index: 30;
  right: 16px;
  top: 56px;
  width: 320px;
  max-height: 80vh;
  overflow: auto;
  padding: 16px;
}
dl {
  display: grid;
  grid-template-columns: 64px 1fr;
  gap: 6px 8px;
  margin-top: 12px;
}
</style>
