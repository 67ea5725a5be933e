import { type ShownLine } from '@/core/readers/books'

/** The least change of a line that is worth a word. */
const least = (unit: ShownLine['unit']) => (unit === 'share' ? 0.0005 : unit === 'years' ? 0.005 : 0.5)

/** What an edit changed, by line: of the figures that are read, so that one and its change are the one before. */
export function differences(
  before: readonly ShownLine[],
  now: readonly ShownLine[],
): Readonly<Record<string, number>> {
  const old = new Map(before.map(({ id, shown }) => [id, shown]))
  const changed: Record<string, number> = {}
  for (const { id, shown, unit } of now) {
    const was = old.get(id) ?? null
    if (shown === null || was === null) continue
    if (Math.abs(shown - was) >= least(unit)) changed[id] = shown - was
  }
  return changed
}
