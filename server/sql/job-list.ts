import { z } from 'zod'
import { tagsIn, type JobStatus } from '@/core/model/job-status'
import { jobStatusSchema } from '@/core/model/progress'
import { many } from '../database'
import { partsOf } from './job-words'
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

/** All open jobs, the last touched first. */
export const openJobs: ListQuery = {
  search: '',
  shelf: 'open',
  status: null,
  tag: null,
  ownerId: null,
  isByNextStep: false,
  page: 0,
}

export const jobsOnPage = 50

/** Bounded, so that nobody counts through a whole table. */
const mostPages = 1000

const shelfSql: Readonly<Record<Shelf, string>> = {
  open: 'deleted_at IS NULL AND archived_at IS NULL',
  archive: 'deleted_at IS NULL AND archived_at IS NOT NULL',
  bin: 'deleted_at IS NOT NULL',
}

/** A text as a pattern that stands for itself. */
const escaped = (text: string) => text.replace(/[\\%_]/g, '\\$&')

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
  const conditions: Condition[] = [{ sql: `job.team_id = ? AND ${shelfSql[query.shelf]}`, values: [teamId] }]
  if (query.status) conditions.push({ sql: 'status = ?', values: [query.status] })
  if (query.tag !== null)
    conditions.push({ sql: "CONCAT(', ', tags, ', ') LIKE ?", values: [`%, ${escaped(query.tag)}, %`] })
  if (query.ownerId !== null) conditions.push({ sql: 'owner_id = ?', values: [query.ownerId] })
  if (query.isByNextStep) conditions.push({ sql: 'next_on IS NOT NULL', values: [] })
  return and(conditions)
}

/** With more jobs than these that have the words, the list is read in its order until a page is full; with less, they are sorted. */
const common = 2000

/** Whether very many jobs have all parts of a search in their words. */
async function isCommon(has: Condition): Promise<boolean> {
  const rows = await many(
    'jobs with words',
    `SELECT 1 FROM job_words WHERE ${has.sql} LIMIT ${common}`,
    has.values,
  )
  return rows.length === common
}

/**
 * Jobs of a team, a page of them and one more where there are more. A search finds those that have each of its parts
 * somewhere in name, address, tags, notes or next step, whatever the case and the accents.
 */
export async function manyJobs(teamId: string, query: ListQuery): Promise<JobRow[]> {
  const parts = partsOf(query.search)
  const has = and([
    { sql: 'job_words.team_id = ?', values: [teamId] },
    ...parts.map((part) => ({ sql: 'words LIKE ?', values: [`%${escaped(part)}%`] })),
  ])
  const filter = filterOf(teamId, query)
  const where = parts.length === 0 ? filter : and([filter, has])
  const inOrder = `job FORCE INDEX (${query.isByNextStep ? 'job_next' : 'job_shelf'})`
  const isFew = parts.length > 0 && !(await isCommon(has))
  const from =
    parts.length === 0
      ? inOrder
      : isFew
        ? 'job_words STRAIGHT_JOIN job ON job.id = job_words.job_id'
        : `${inOrder} STRAIGHT_JOIN job_words ON job_words.team_id = job.team_id AND job_words.job_id = job.id`
  const order = query.isByNextStep ? 'next_on, touched_at, job.id' : 'touched_at DESC, job.id DESC'
  const rows = await many(
    'jobs of a team',
    `SELECT ${jobColumns} FROM (
      SELECT job.id AS found FROM ${from} WHERE ${where.sql} ORDER BY ${order}
      LIMIT ${jobsOnPage + 1} OFFSET ${Math.min(query.page, mostPages) * jobsOnPage}
    ) AS page JOIN job ON job.id = page.found ORDER BY ${order}`,
    where.values,
  )
  return rows.map(toJob)
}

const countSchema = z.object({ status: jobStatusSchema.catch('lead'), tags: z.string(), jobs: z.number() })
const mostTags = 24

/** How many of a team's open jobs have come how far, and their tags, the most used first. */
export async function countJobs(teamId: string) {
  const rows = await many(
    'jobs by status and tags',
    `SELECT status, tags, COUNT(*) AS jobs FROM job FORCE INDEX (job_counts)
    WHERE team_id = ? AND ${shelfSql.open} GROUP BY status, tags`,
    [teamId],
  )
  const counts: Partial<Record<JobStatus, number>> = {}
  const used = new Map<string, { readonly tag: string; readonly jobs: number }>()
  for (const row of rows) {
    const { status, tags, jobs } = countSchema.parse(row)
    counts[status] = (counts[status] ?? 0) + jobs
    for (const tag of tagsIn(tags)) {
      const before = used.get(tag.toLowerCase())
      used.set(tag.toLowerCase(), { tag: before?.tag ?? tag, jobs: (before?.jobs ?? 0) + jobs })
    }
  }
  const tags = [...used.values()]
    .sort((a, b) => b.jobs - a.jobs || a.tag.localeCompare(b.tag))
    .slice(0, mostTags)
    .map(({ tag }) => tag)
  return { counts, tags }
}
