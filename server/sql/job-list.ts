import { z } from 'zod'
import { type JobStatus } from '@/core/model/job-status'
import { jobStatusSchema } from '@/core/model/progress'
import { many } from '../database'
import { jobColumns, toJob, type JobRow } from './jobs'

/** Where a job lies: at work, put away, or deleted and not gone yet. */
export const shelves = ['open', 'archive', 'bin'] as const
export type Shelf = (typeof shelves)[number]

/** What a list is asked for. */
export interface ListQuery {
  readonly search: string
  readonly shelf: Shelf
  readonly status: JobStatus | null
  readonly tag: string | null
  readonly ownerId: string | null
  /** Those with a day for their next step alone, the soonest first; the last touched first otherwise. */
  readonly isByNextStep: boolean
  /** From 0. */
  readonly page: number
}

export const jobsOnPage = 100

/** Bounded, so that nobody counts through a whole table. */
const mostPages = 1000

const shelfSql: Readonly<Record<Shelf, string>> = {
  open: 'deleted_at IS NULL AND archived_at IS NULL',
  archive: 'deleted_at IS NULL AND archived_at IS NOT NULL',
  bin: 'deleted_at IS NOT NULL',
}

const pattern = (text: string) => `%${text.replace(/[\\%_]/g, '\\$&')}%`

/** Characters of the words that the index holds, as the server is set from the start. */
const [shortestWord, longestWord] = [3, 84]

/** Words by which the full-text index finds; what is too short for it is looked for among what it finds. */
function wordsOf(search: string): { readonly long: readonly string[]; readonly short: readonly string[] } {
  // What the index takes for a word: with the apostrophes inside it.
  const words = search.match(/[\p{L}\p{M}\p{N}_]+(?:'[\p{L}\p{M}\p{N}_]+)*/gu) ?? []
  const isLong = (word: string) => [...word].length >= shortestWord && word.length <= longestWord
  return { long: words.filter(isLong), short: words.filter((word) => !isLong(word)) }
}

/** A condition with its values. */
interface Condition {
  readonly sql: string
  readonly values: readonly (string | number)[]
}

const and = (conditions: readonly Condition[]): Condition => ({
  sql: conditions.map(({ sql }) => sql).join(' AND '),
  values: conditions.flatMap(({ values }) => values),
})

function filterOf(teamId: string, query: ListQuery): Condition {
  const conditions: Condition[] = [{ sql: `team_id = ? AND ${shelfSql[query.shelf]}`, values: [teamId] }]
  if (query.status) conditions.push({ sql: 'status = ?', values: [query.status] })
  if (query.tag !== null)
    conditions.push({ sql: "CONCAT(', ', tags, ', ') LIKE ?", values: [pattern(`, ${query.tag}, `)] })
  if (query.ownerId !== null) conditions.push({ sql: 'owner_id = ?', values: [query.ownerId] })
  if (query.isByNextStep) conditions.push({ sql: 'next_on IS NOT NULL', values: [] })
  return and(conditions)
}

/**
 * Jobs of a team, a page of them and one more where there are more.
 *
 * A search finds whatever has the text in its name or address as it was typed, and whatever has all its words, or
 * beginnings of them, in name, address, tags, notes or next step.
 */
export async function manyJobs(teamId: string, query: ListQuery): Promise<JobRow[]> {
  const filter = filterOf(teamId, query)
  const order = query.isByNextStep ? 'next_on, touched_at DESC, id' : 'touched_at DESC, id'
  const from = Math.min(query.page, mostPages) * jobsOnPage
  const upTo = from + jobsOnPage + 1
  /** The first of one way to find, in the order of all. */
  const found = (index: string, condition: Condition): Condition => ({
    sql: `(SELECT id, touched_at, next_on FROM job ${index} WHERE ${condition.sql} ORDER BY ${order} LIMIT ${upTo})`,
    values: condition.values,
  })
  const { long, short } = wordsOf(query.search)
  const like = pattern(query.search)
  const ways: Condition[] =
    query.search === ''
      ? [found('FORCE INDEX (job_shelf)', filter)]
      : [
          found(
            'FORCE INDEX (job_shelf)',
            and([filter, { sql: '(name LIKE ? OR address LIKE ?)', values: [like, like] }]),
          ),
          ...(long.length > 0
            ? [
                found(
                  '',
                  and([
                    filter,
                    {
                      sql: 'MATCH (name, address, tags, notes, next_step) AGAINST (? IN BOOLEAN MODE)',
                      values: [long.map((word) => `+${word}*`).join(' ')],
                    },
                    ...short.map((word) => ({
                      sql: "CONCAT_WS(' ', name, address, tags, notes, next_step) LIKE ?",
                      values: [pattern(word)],
                    })),
                  ]),
                ),
              ]
            : []),
        ]
  const all = and(ways)
  const rows = await many(
    'jobs of a team',
    `SELECT ${jobColumns} FROM job JOIN (
      SELECT id AS found FROM (${ways.map(({ sql }) => sql).join(' UNION ')}) AS hits
      ORDER BY ${order} LIMIT ${jobsOnPage + 1} OFFSET ${from}
    ) AS page ON page.found = job.id ORDER BY ${order}`,
    all.values,
  )
  return rows.map(toJob)
}

const countSchema = z.object({ status: jobStatusSchema.catch('lead'), jobs: z.number() })

/** How many of a team's open jobs have come how far. */
export async function countByStatus(teamId: string): Promise<Partial<Record<JobStatus, number>>> {
  const rows = await many(
    'jobs by status',
    `SELECT status, COUNT(*) AS jobs FROM job FORCE INDEX (job_shelf)
    WHERE team_id = ? AND ${shelfSql.open} GROUP BY status`,
    [teamId],
  )
  return Object.fromEntries(
    rows.map((row) => {
      const { status, jobs } = countSchema.parse(row)
      return [status, jobs]
    }),
  )
}

const tagsSchema = z.object({ tags: z.string(), jobs: z.number() })
const mostTags = 24

/** The tags of a team's open jobs, the most used first. */
export async function manyTags(teamId: string): Promise<readonly string[]> {
  const rows = await many(
    'tags of a team',
    `SELECT tags, COUNT(*) AS jobs FROM job FORCE INDEX (job_shelf)
    WHERE team_id = ? AND ${shelfSql.open} AND tags <> '' GROUP BY tags`,
    [teamId],
  )
  const counts = new Map<string, { readonly tag: string; readonly jobs: number }>()
  for (const row of rows) {
    const { tags, jobs } = tagsSchema.parse(row)
    for (const tag of tags.split(', ')) {
      const before = counts.get(tag.toLowerCase())
      counts.set(tag.toLowerCase(), { tag: before?.tag ?? tag, jobs: (before?.jobs ?? 0) + jobs })
    }
  }
  return [...counts.values()]
    .sort((a, b) => b.jobs - a.jobs || a.tag.localeCompare(b.tag))
    .slice(0, mostTags)
    .map(({ tag }) => tag)
}
