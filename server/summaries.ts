import { manySameWork, openWork } from './sql/work'
import { type JobRow, type JobSummary } from './sql/jobs'
import { newWork } from './work/ask'
import { codeOfEnd, passing } from './work/tasks'

/** Figures of the list, computed by the workers while the last ones are shown. */

/** What the list shows of a job. */
export interface ListedFigures {
  /** The last that were computed; null where there are none yet. */
  readonly summary: JobSummary | null
  /** `fresh`; `coming` while newer ones are computed; or the code of what stands against it. */
  readonly state: string
}

/** A job as its figures are of it. */
export const figuresKey = ({ id, revision }: Pick<JobRow, 'id' | 'revision'>) => `${id} ${revision}`

/** What is known of jobs now, by their ids; newer figures are asked for where these are old. */
export async function figuresFor(
  teamId: string,
  rows: readonly JobRow[],
): Promise<ReadonlyMap<string, ListedFigures>> {
  const stale = rows.filter(({ summaryIsFresh }) => !summaryIsFresh)
  const known = new Map((await manySameWork('figures', stale.map(figuresKey))).map((one) => [one.same, one]))
  const codeFor = (row: JobRow) => {
    const before = known.get(figuresKey(row))
    return before && codeOfEnd(before)
  }
  const wanted = stale.filter((row) => {
    const code = codeFor(row)
    return code === undefined || passing.has(code)
  })
  // What is open stays as it is; what ended without these figures, or by chance, is done anew.
  const missing = wanted.filter((row) => known.get(figuresKey(row))?.state !== 'open')
  if (missing.length > 0)
    await openWork(
      missing.map((row) =>
        newWork('figures', { teamId, input: { teamId, jobId: row.id }, same: figuresKey(row) }, null),
      ),
    )
  return new Map(
    rows.map((row) => {
      const state = row.summaryIsFresh
        ? 'fresh'
        : wanted.includes(row)
          ? 'coming'
          : (codeFor(row) ?? 'coming')
      return [row.id, { summary: row.summary, state }]
    }),
  )
}
