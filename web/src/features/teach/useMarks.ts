// Marks leave this device until the server has them: ids are made here, so sending one twice changes nothing.
import { computed, ref } from 'vue'
import { api, Refusal, type Schemas } from '@/api/client'

export type Result = Schemas['MarkBody']['result']
interface Waiting {
  id: string
  body?: Schemas['MarkBody']
  absent?: { lesson: string; child: string; is: boolean }
  withdraw?: true
}

const KEPT = 'kopje-waiting-marks'
const waiting = ref<Waiting[]>(remembered())
const refused = ref('')
const failing = ref(false)
let sending = false

function remembered(): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? '[]') as Waiting[]
  } catch {
    return [] // nothing readable was left behind
  }
}
function keep() {
  localStorage.setItem(KEPT, JSON.stringify(waiting.value))
}
function push(one: Waiting) {
  waiting.value.push(one)
  keep()
  void send()
}

async function deliver(one: Waiting): Promise<void> {
  if (one.withdraw) await api.DELETE('/api/marks/{mark_id}', { params: { path: { mark_id: one.id } } })
  else if (one.body) await api.PUT('/api/marks/{mark_id}', { params: { path: { mark_id: one.id } }, body: one.body })
  else if (one.absent) {
    const at = { params: { path: { lesson_id: one.absent.lesson, child_id: one.absent.child } } }
    await (one.absent.is ? api.PUT('/api/lessons/{lesson_id}/absences/{child_id}', at) : api.DELETE('/api/lessons/{lesson_id}/absences/{child_id}', at))
  }
}

/** Send in order; what the network refuses stays and is tried again, what the server refuses is said. */
export async function send(): Promise<void> {
  if (sending) return
  sending = true
  try {
    while (waiting.value[0]) {
      try {
        await deliver(waiting.value[0])
      } catch (problem) {
        if (!(problem instanceof Refusal) || problem.status >= 500 || problem.status === 401) {
          failing.value = true
          window.setTimeout(() => void send(), 4000)
          return
        }
        refused.value = problem.message
      }
      failing.value = false
      waiting.value.shift()
      keep()
    }
  } finally {
    sending = false
  }
}

export function useMarks() {
  if (waiting.value.length) void send()
  return {
    waiting: computed(() => (failing.value ? waiting.value.filter((one) => one.body).length : 0)),
    refused,
    /** Everything has reached the server. */
    settled: async () => {
      await send()
      for (let tries = 0; tries < 40 && waiting.value.length && !failing.value; tries++) await new Promise((done) => setTimeout(done, 50))
    },
    mark: (body: Schemas['MarkBody']) => {
      const id = crypto.randomUUID()
      push({ id, body })
      return id
    },
    withdraw: (id: string) => push({ id, withdraw: true }),
    absent: (lesson: string, child: string, is: boolean) => push({ id: crypto.randomUUID(), absent: { lesson, child, is } }),
  }
}
