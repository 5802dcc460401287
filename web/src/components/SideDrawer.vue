<script setup lang="ts">
// The drawer for reasons and evidence, at the right; it stands beside what it explains. A sheet on small screens.
import { mdiClose } from '@mdi/js'
import { onMounted, onUnmounted } from 'vue'
import { say } from '@/locales/say'

defineProps<{ title: string }>()
const emit = defineEmits<{ close: [] }>()
const onKey = (event: KeyboardEvent) => {
  if (event.key === 'Escape') emit('close')
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <aside class="drawer" :aria-label="title">
    <header class="row spread">
      <h2>{{ title }}</h2>
      <v-btn size="small" class="shut" :aria-label="say('drawer-close')" @click="$emit('close')">
        <v-icon :icon="mdiClose" size="20" />
      </v-btn>
    </header>
    <div class="inside"><slot /></div>
  </aside>
</template>

<style scoped>
.drawer {
  width: 360px;
  flex: none;
  border-left: 1px solid var(--line);
  background: var(--sheet);
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
}
header {
  padding: 14px 16px 10px;
  flex-wrap: nowrap;
  align-items: flex-start;
  position: sticky;
  top: 0;
  background: var(--sheet);
  z-index: 1;
}
.shut {
  min-width: 32px;
  min-height: 32px;
  display: grid;
  place-items: center;
}
.inside {
  min-width: 0;
  padding: 8px 16px 24px;
  display: flex;
  flex-direction: column;
  gap: 16px;
}
@media (max-width: 900px) {
  .drawer {
    position: fixed;
    left: 0;
    right: 0;
    bottom: 0;
    width: auto;
    max-height: 60vh;
    border-left: 0;
    border-top: 2px solid var(--granite);
    z-index: 20;
  }
  .shut {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
