import { z } from 'zod'
import { many, run, transaction, type Runner } from '../database'

/** How words are written; those of an earlier version are written again. */
const version = 1

/** A text as it is searched: without accents, in small letters. */
const plain = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()

const mostParts = 10
/** As wide as their column: letters that come apart into very many are cut there. */
const mostBytes = 12_000

/** What of a search has to stand somewhere in the words of a job, each by itself. */
export const partsOf = (search: string): readonly string[] =>
  plain(search)
    .split(/\s+/)
    .filter((part) => part !== '')
    .slice(0, mostParts)

const wordedSchema = z.object({
  id: z.string(),
  team_id: z.string(),
  name: z.string(),
  address: z.string(),
  tags: z.string(),
  notes: z.string(),
  next_step: z.string(),
})

async function write(row: unknown, runner: Runner): Promise<void> {
  const { id, team_id, name, address, tags, notes, next_step } = wordedSchema.parse(row)
  await run(
    'write words of a job',
    'REPLACE INTO job_words (team_id, job_id, version, words) VALUES (?, ?, ?, ?)',
    [
      team_id,
      id,
      version,
      Buffer.from(plain([name, address, tags, notes, next_step].join(' '))).subarray(0, mostBytes),
    ],
    runner,
  )
}

const columns = 'job.id, job.team_id, name, address, tags, notes, next_step'

/** Writes a job's words as it stands now, in the transaction that has changed it. */
export async function writeWords(id: string, runner: Runner): Promise<void> {
  const [row] = await many(
    'job for its words',
    `SELECT ${columns} FROM job WHERE id = ? FOR UPDATE`,
    [id],
    runner,
  )
  if (row) await write(row, runner)
}

const atOnce = 100

/**
 * Writes the words of a few jobs that have none, or none of this version: of those from before there were words, or that
 * an earlier version of the application has stored meanwhile.
 * @returns how many: with none there are no more
 */
export const writeMissingWords = (): Promise<number> =>
  transaction('write missing words', async (runner) => {
    const rows = await many(
      'jobs without words',
      `(SELECT ${columns} FROM job_words JOIN job ON job.id = job_words.job_id
        WHERE job_words.version < ? LIMIT ${atOnce})
      UNION (SELECT ${columns} FROM job LEFT JOIN job_words ON job_words.job_id = job.id
        WHERE job_words.job_id IS NULL LIMIT ${atOnce})`,
      [version],
      runner,
    )
    for (const row of rows) await writeWords(z.object({ id: z.string() }).parse(row).id, runner)
    return rows.length
  })
