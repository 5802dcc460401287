// Marks that are told in the ledger: added, corrected, taken back; and the teacher's own word beside what they say.
import type { Schemas } from '@/api/client'
import { type Happened, instead, settled, tell } from '@/api/outbox'
import { queryClient } from '@/api/queries'

type Mark = Schemas['MarkRead']
export type ByHand = Pick<Schemas['MarkedBody'], 'way' | 'result' | 'help' | 'voices'> & {
  day: string
}
export function useMarks(section: () => string, child: () => string, concept: () => string) {
  /** What lies in no lesson has the section in the lesson's place. */
  const byHand = () => ({ section_id: section(), lesson_id: section() })
  const at = (mark: Mark) => ({ section_id: section(), lesson_id: mark.lesson_id ?? section() })
  async function told(...happened: Happened[]): Promise<string[] | false> {
    const kept = await tell(...happened)
    if (!kept) return false
    await settled()
    for (const key of ['ledger', 'evidence', 'child', 'report', 'group', 'hearing'])
      await queryClient.invalidateQueries({ queryKey: [key] })
    return kept
  }
  const add = (mark: ByHand) =>
    told({ kind: 'marked', ...byHand(), child_id: child(), concept: concept(), ...mark })
  const takeBack = (mark: Mark) => told({ kind: 'taken_back', ...at(mark), target_id: mark.id })
  /** The mark stays in the record; another one stands for it, in the same lesson or on the same day. */
  const correct = (mark: Mark, result: Mark['result']) =>
    told(
      ...instead(
        mark,
        at(mark),
        { ...at(mark), ...(mark.lesson_id ? { part_id: mark.part_id } : { day: mark.day }) },
        { result },
      ),
    )
  const judge = (level: Schemas['JudgedBody']['level'], note: string, day: string) =>
    told({
      kind: 'judged',
      ...byHand(),
      child_id: child(),
      concept: concept(),
      day,
      level,
      note,
    })
  const takeBackOf = (id: string) => told({ kind: 'taken_back', ...byHand(), target_id: id })
  return { add, takeBack, correct, judge, takeBackOf }
}
