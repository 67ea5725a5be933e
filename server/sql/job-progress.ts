import { type JobStatus, jobStatuses, templateUses, type TemplateUse } from '@/core/model/job-status'
import { type ProgressChange } from '@/core/model/progress'
import { many, run, transaction, type Runner } from '../database'
import { writeWords } from './job-words'
import { z } from 'zod'

/** Changes what the team notes of a job; fields left out stay. The job counts as edited no later than before. */
export function changeProgress(teamId: string, id: string, change: ProgressChange) {
  const columns = {
    status: change.status,
    tags: change.tags?.join(', '),
    notes: change.notes,
    owner_id: change.ownerId,
    next_step: change.nextStep,
    next_on: change.nextOn,
  }
  const given = Object.entries(columns).flatMap(([column, value]) =>
    value === undefined ? [] : [{ column, value }],
  )
  return transaction('change progress', async (runner) => {
    const met = await run(
      'change progress',
      // Itself again, so that a change of nothing still says whether the job is there.
      `UPDATE job SET ${['id = id', ...given.map(({ column }) => `${column} = ?`)].join(', ')} WHERE team_id = ? AND id = ?`,
      [...given.map(({ value }) => value), teamId, id],
      runner,
    )
    if (met > 0) await writeWords(id, runner)
    return met
  })
}

/** Brings a job forward to where it has come by itself; never back. */
export const advanceStatus = (id: string, to: Exclude<JobStatus, 'lead'>, runner: Runner) => {
  const before = jobStatuses.slice(0, jobStatuses.indexOf(to))
  return run(
    'advance status',
    `UPDATE job SET status = ? WHERE id = ? AND status IN (${before.map(() => '?').join(', ')})`,
    [to, id, ...before],
    runner,
  )
}

export const setJobArchived = (teamId: string, id: string, archived: boolean) =>
  run(
    'archive or take back job',
    'UPDATE job SET archived_at = IF(?, CURRENT_TIMESTAMP(3), NULL) WHERE team_id = ? AND id = ?',
    [archived, teamId, id],
  )

/** Says whether new jobs start from a job; there is one at most that they do by default. */
export async function setTemplate(
  teamId: string,
  id: string,
  use: TemplateUse,
  runner: Runner,
): Promise<number> {
  if (use === 'default')
    await run(
      'one default template',
      'UPDATE job SET template = ? WHERE team_id = ? AND template = ?',
      [templateUses.indexOf('choice'), teamId, templateUses.indexOf('default')],
      runner,
    )
  return run(
    'set template',
    'UPDATE job SET template = ? WHERE team_id = ? AND id = ?',
    [templateUses.indexOf(use), teamId, id],
    runner,
  )
}

const templateSchema = z.object({ id: z.string(), name: z.string(), template: z.number() })

/** Jobs that new ones may start from, the default first. */
export async function manyTemplates(teamId: string) {
  const rows = await many(
    'templates of a team',
    `SELECT id, name, template FROM job
    WHERE team_id = ? AND template > 0 AND deleted_at IS NULL ORDER BY template DESC, name, id LIMIT 50`,
    [teamId],
  )
  return rows.map((row) => {
    const { id, name, template } = templateSchema.parse(row)
    return { id, name, isDefault: templateUses[template] === 'default' }
  })
}
