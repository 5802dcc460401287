// Where two versions of the same thing differ, leaf by leaf.

export interface Difference {
  path: readonly string[]
  mine: string
  theirs: string
}
const isBranch = (one: unknown): one is Record<string, unknown> =>
  typeof one === 'object' && one !== null
const leaf = (one: unknown): string =>
  one === null || one === undefined ? '' : isBranch(one) ? JSON.stringify(one) : String(one)
/** What stands in a list is named by itself where it can be, else by its place. */
const called = (one: unknown, index: number) =>
  isBranch(one)
    ? String(one.name ?? one.title ?? one.day ?? one.key ?? index + 1)
    : String(index + 1)

/** Only what I would write is compared: the other one may come with more that nobody writes. */
export function differences(
  mine: unknown,
  theirs: unknown,
  path: readonly string[] = [],
): Difference[] {
  if (Array.isArray(mine) && Array.isArray(theirs)) {
    const length = Math.max(mine.length, theirs.length)
    return Array.from({ length }, (_, index) => index).flatMap((index) =>
      differences(mine[index], theirs[index], [
        ...path,
        called(mine[index] ?? theirs[index], index),
      ]),
    )
  }
  if (isBranch(mine) && isBranch(theirs) && !Array.isArray(mine) && !Array.isArray(theirs))
    return Object.keys(mine)
      .filter((key) => key in theirs)
      .flatMap((key) => differences(mine[key], theirs[key], [...path, key]))
  const [left, right] = [leaf(mine), leaf(theirs)]
  return left === right ? [] : [{ path, mine: left, theirs: right }]
}
