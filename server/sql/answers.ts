import { z } from 'zod'
import { many, run, type Runner } from '../database'

export interface NewAcceptance {
  readonly shareId: string
  readonly by: string
  readonly way: string | null
  readonly digest: string
  /** Strokes, as JSON. */
  readonly signature: string | null
}

/** Keeps who accepted an offer; once, and only while it holds. @returns 0 where it was not kept */
export const acceptShare = ({ shareId, by, way, digest, signature }: NewAcceptance, runner: Runner) =>
  run(
    'accept share',
    `UPDATE share SET accepted_at = CURRENT_TIMESTAMP(3), accepted_by = ?, accepted_way = ?, accepted_digest = ?,
      signature = ?
    WHERE id = ? AND accepted_at IS NULL AND withdrawn_at IS NULL
      AND (expires_at IS NULL OR expires_at > CURRENT_TIMESTAMP(3))`,
    [by, way, digest, signature, shareId],
    runner,
  )

/** Keeps a question about an offer, up to so many of one. @returns 0 where there are too many */
export const insertQuestion = (id: string, shareId: string, by: string, question: string, most: number) =>
  run(
    'insert question',
    `INSERT INTO offer_question (id, share_id, asked_by, question)
    SELECT ?, ?, ?, ? FROM DUAL WHERE (SELECT COUNT(*) FROM offer_question WHERE share_id = ?) < ?`,
    [id, shareId, by, question, shareId, most],
  )

const questionSchema = z.object({
  share_id: z.string(),
  asked_by: z.string(),
  question: z.string(),
  asked_at: z.date(),
})

/** A question as the designer reads it. */
export interface Question {
  readonly shareId: string
  readonly by: string
  readonly question: string
  readonly at: Date
}

/** What was asked about the offers of a job, the first first. */
export async function manyQuestions(teamId: string, jobId: string): Promise<Question[]> {
  const rows = await many(
    'questions of a job',
    `SELECT q.share_id, q.asked_by, q.question, q.asked_at
    FROM offer_question q JOIN share s ON s.id = q.share_id JOIN job j ON j.id = s.job_id
    WHERE j.team_id = ? AND s.job_id = ? ORDER BY q.asked_at, q.id LIMIT 1000`,
    [teamId, jobId],
  )
  return rows.map((row) => {
    const r = questionSchema.parse(row)
    return { shareId: r.share_id, by: r.asked_by, question: r.question, at: r.asked_at }
  })
}
