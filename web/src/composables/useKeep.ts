// Doing one thing that the server may refuse: what it said, whether it is on its way.
import { ref } from 'vue'

export function useKeep() {
  const refused = ref('')
  const busy = ref(false)
  /** Whether it was done. */
  async function keep(act: () => Promise<unknown>): Promise<boolean> {
    refused.value = ''
    busy.value = true
    try {
      await act()
      return true
    } catch (problem) {
      refused.value = problem instanceof Error ? problem.message : String(problem)
      return false
    } finally {
      busy.value = false
    }
  }
  return { refused, busy, keep }
}
