// What was changed and not kept is asked about before it is lost: on another page, on closing the window.
import { onMounted, onUnmounted, type Ref } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { say } from '@/locales/say'

export function useUnsaved(dirty: Ref<boolean>): void {
  const closing = (event: BeforeUnloadEvent) => {
    if (dirty.value) event.preventDefault()
  }
  onMounted(() => window.addEventListener('beforeunload', closing))
  onUnmounted(() => window.removeEventListener('beforeunload', closing))
  // The browser's own question: it holds the page still until there is an answer, as it does when the window is closed.
  onBeforeRouteLeave(() => !dirty.value || window.confirm(say('unsaved-leave')))
}
