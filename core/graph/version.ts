import { digest } from '../model/digest'
import { type Stage } from './stage'

/** Names and versions of stages and of all they come after: results under the same one are the same. */
export function versionOf<W>(stages: readonly Stage<W, unknown>[]): string {
  const found = new Map<string, number>()
  const visit = (stage: Stage<W, unknown>) => {
    if (found.has(stage.name)) return
    found.set(stage.name, stage.version)
    for (const before of Object.values(stage.after)) visit(before)
  }
  stages.forEach(visit)
  return digest([...found].sort(([a], [b]) => (a < b ? -1 : 1)))
}
