// Marks that an earlier version left in this browser: moved over once, then that place is deleted.
import { newId } from '../ids'
import { api, body, Refusal } from '../client'
import { type Happened, keep } from './kept'

interface Old {
  id: string
  body?: {
    lesson_id: string
    cell_id: string
    child_id: string
    concept: string
    result: 'secure' | 'nearly' | 'not_yet'
    help: string | null
    moment: string
  }
  absent?: { lesson: string; child: string; is: boolean }
  withdraw?: true
}
const OLD = 'kopje-waiting-marks'

/** Where the old marks were made; a lesson or part that is gone is left out of what they say. */
export interface Places {
  section: (lesson: string) => Promise<string>
  part: (
    lesson: string,
    part: string,
  ) => Promise<{ way: string; voices: string; help: string } | undefined>
}
const places: Places = {
  section: async (lesson) =>
    (await body(api.GET('/api/lessons/{lesson_id}', { params: { path: { lesson_id: lesson } } })))
      .section.id,
  part: async (lesson, part) => {
    try {
      return await body(
        api.GET('/api/lessons/{lesson_id}/parts/{part_id}/hearing', {
          params: { path: { lesson_id: lesson, part_id: part } },
        }),
      )
    } catch (problem) {
      if (problem instanceof Refusal && problem.status === 404) return undefined
      throw problem
    }
  },
}

/** Move what there is into the outbox; while Kopje does not answer it stays where it was. */
export async function moveOver(owner: string, find: Places = places): Promise<number> {
  const text = localStorage.getItem(OLD)
  if (text === null) return 0
  const old = read(text)
  const made: { id: string; clock: Date; happened: Happened }[] = []
  const lessons = new Map<string, string>()
  for (const one of old) {
    const happened = await translated(one, old, lessons, find)
    if (happened)
      made.push({
        id: one.withdraw || one.absent?.is === false ? newId() : one.id,
        clock: new Date(one.body?.moment ?? Date.now()),
        happened,
      })
  }
  for (const one of made) await keep(owner, [one.happened], one.clock, [one.id])
  localStorage.removeItem(OLD)
  return made.length
}

function read(text: string): Old[] {
  try {
    return JSON.parse(text) as Old[]
  } catch {
    return [] // nothing readable was left behind
  }
}

async function translated(
  one: Old,
  all: readonly Old[],
  lessons: Map<string, string>,
  find: Places,
): Promise<Happened | undefined> {
  const target = one.withdraw
    ? all.find((other) => other.id === one.id && other.body)
    : one.absent?.is === false
      ? lastAway(one, all)
      : undefined
  const lesson = one.body?.lesson_id ?? one.absent?.lesson ?? target?.body?.lesson_id
  if (!lesson) return undefined
  const section = lessons.get(lesson) ?? (await find.section(lesson))
  lessons.set(lesson, section)
  const at = { section_id: section, lesson_id: lesson }
  if (one.body) {
    const how = await find.part(lesson, one.body.cell_id)
    if (!how) return undefined
    const { child_id, concept, result, help, cell_id } = one.body
    return {
      kind: 'marked',
      ...at,
      part_id: cell_id,
      child_id,
      concept,
      result,
      way: how.way,
      voices: how.voices,
      help: help ?? how.help,
    } as Happened
  }
  if (one.absent?.is) return { kind: 'absent', ...at, child_id: one.absent.child }
  return target ? { kind: 'taken_back', ...at, target_id: target.id } : undefined
}

const lastAway = (one: Old, all: readonly Old[]) =>
  all
    .slice(0, all.indexOf(one))
    .reverse()
    .find((other) => other.absent?.is && other.absent.child === one.absent?.child)
