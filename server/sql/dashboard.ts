import { z } from 'zod'
import { many, maybeOne } from '../database'

const monthSchema = z.object({
  month: z.string(),
  sent: z.coerce.number(),
  seen: z.coerce.number(),
  accepted: z.coerce.number(),
  days: z.coerce.number().nullable(),
})

/** Offers that were sent in a month, `YYYY-MM`: what has become of them until today. */
export interface MonthOfOffers {
  readonly month: string
  readonly sent: number
  readonly seen: number
  readonly accepted: number
  /** Days from sending to accepting, on average; null where none was accepted. */
  readonly days: number | null
}

/** A team's offers of the last so many months, this one among them, the oldest first; months without any are not there. */
export async function manyMonthsOfOffers(teamId: string, months: number): Promise<MonthOfOffers[]> {
  const rows = await many(
    'offers by month',
    `SELECT DATE_FORMAT(s.created_at, '%Y-%m') AS month, COUNT(*) AS sent, SUM(s.seen > 0) AS seen,
      SUM(s.accepted_at IS NOT NULL) AS accepted,
      AVG(TIMESTAMPDIFF(SECOND, s.created_at, s.accepted_at)) / 86400 AS days
    FROM share s JOIN job j ON j.id = s.job_id
    WHERE j.team_id = ? AND s.created_at >= DATE_FORMAT(CURRENT_DATE - INTERVAL ? MONTH, '%Y-%m-01')
    GROUP BY month ORDER BY month`,
    [teamId, months - 1],
  )
  return rows.map((row) => monthSchema.parse(row))
}

const waitingSchema = z.object({ count: z.number(), oldest: z.coerce.number().nullable() })

/** Mail that waits to be sent: how much, and since how many seconds. */
export async function waitingMail() {
  const row = await maybeOne(
    'waiting mail',
    'SELECT COUNT(*) AS count, TIMESTAMPDIFF(SECOND, MIN(made_at), CURRENT_TIMESTAMP(3)) AS oldest FROM outgoing_mail',
  )
  return waitingSchema.parse(row)
}

const lateSchema = z.object({ late: z.number() })

/** Open jobs whose next step was due before a day, `YYYY-MM-DD`. */
export async function countLateJobs(teamId: string, today: string): Promise<number> {
  const row = await maybeOne(
    'late jobs',
    `SELECT COUNT(*) AS late FROM job
    WHERE team_id = ? AND deleted_at IS NULL AND archived_at IS NULL AND next_on < ?`,
    [teamId, today],
  )
  return lateSchema.parse(row).late
}
