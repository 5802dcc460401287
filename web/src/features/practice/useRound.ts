// A round of questions on its way: which one is on, what was answered, how long it took; what is heard with it.
import { computed, ref, shallowRef } from 'vue'
import { playRound, type Round, type RoundWish, tellRound } from '@/api/practice'
import { tones } from '@/composables/useSound'

type Question = Round['questions'][number]
/** What stands on the page and on the wall: the right answer only once it was answered. */
export interface OnFace {
  question: Omit<Question, 'answer' | 'why'> & { why: string }
  answered: number | null
  answer: number | null
  clues: number
  n: number
  of: number
}
const BEAT = 0.55 // seconds
const BETWEEN = 0.7

export function useRound(section: () => string, today: () => string, station = false) {
  const round = shallowRef<Round | null>(null)
  const wish = ref<RoundWish | null>(null)
  const at = ref(0)
  const answers = ref<number[]>([])
  const answered = ref<number | null>(null)
  const clues = ref(1)
  const seconds = ref(0)
  const over = computed(() => round.value !== null && at.value >= round.value.questions.length)
  const right = computed(
    () => answers.value.filter((one, n) => one === round.value?.questions[n]?.answer).length,
  )
  let since = 0
  let telling = false

  async function begin(asked: RoundWish) {
    round.value = await playRound(section(), asked)
    wish.value = asked
    at.value = 0
    answers.value = []
    answered.value = null
    clues.value = 1
    seconds.value = 0
    since = Date.now()
  }
  function leave() {
    round.value = null
    wish.value = null
  }
  const question = computed(() => round.value?.questions[at.value] ?? null)
  const face = computed<OnFace | null>(() => {
    const now = question.value
    if (!now || !round.value) return null
    const done = answered.value !== null
    return {
      question: {
        ...now,
        answer: undefined,
        why: done ? now.why : '',
        bent: done ? now.bent : null,
      } as OnFace['question'],
      answered: answered.value,
      answer: done ? now.answer : null,
      clues: done ? now.clues.length : clues.value,
      n: at.value + 1,
      of: round.value.questions.length,
    }
  })
  /** What sounds: home first, then what is asked; once it is answered what it would be beside it. */
  function hear() {
    const now = question.value
    if (!now) return
    const done = answered.value !== null && now.after.length > 0
    const rows = done ? now.after : [...(now.orient.length ? [now.orient] : []), ...now.heard]
    let start = 0
    const plan: { at: number; seconds: number; midi: number | null }[] = []
    for (const row of rows) {
      for (const one of row)
        plan.push({
          at: start + one.start * BEAT,
          seconds: one.beats * BEAT * 0.95,
          midi: one.midi,
        })
      const last = row.at(-1)
      start += last ? (last.start + last.beats) * BEAT + BETWEEN : 0
    }
    if (plan.length) tones(plan)
  }
  function answer(choice: number) {
    const now = question.value
    if (!now || answered.value !== null || choice >= now.choices.length) return
    answered.value = choice
    answers.value = [...answers.value, choice]
    seconds.value = Math.round((Date.now() - since) / 1000)
  }
  /** One key: hear it, and once it is answered the next question; the last one ends the round, and tells it. */
  async function on(): Promise<boolean> {
    const now = round.value
    if (!now || over.value) return false
    if (answered.value === null) {
      hear()
      return false
    }
    const last = at.value + 1 === now.questions.length
    if (last) {
      if (telling) return false
      telling = true
      // Over once it is kept: until then the last question stands, and the key tries again.
      const kept = await tellRound(section(), today(), {
        ...{ ask: now.kind, asked: now.questions.length, right: right.value },
        ...{ choices: now.choices, seconds: seconds.value, station },
      })
      telling = false
      if (!kept) return false
    }
    at.value += 1
    answered.value = null
    clues.value = 1
    return last
  }
  const clue = () =>
    (clues.value = Math.min(clues.value + 1, question.value?.clues.length ?? clues.value))
  const sounds = computed(() => (question.value?.heard.length ?? 0) > 0)
  return {
    ...{ round, wish, at, answered, right, seconds, over, question, face, sounds },
    ...{ begin, leave, hear, answer, on, clue },
  }
}
