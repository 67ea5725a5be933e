import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { parseJob } from '@/core/kinds/job'
import { transaction } from './database'
import { createJob } from './jobs'
import { insertDesigner, insertTeam, maybeOneFirstDesigner } from './sql/people'

/** A made-up team with the shipped jobs, where nothing is stored yet; the last one stands first in the list. */
export async function seedIfEmpty(jobFiles: readonly string[]): Promise<boolean> {
  if (await maybeOneFirstDesigner()) return false
  const jobs = jobFiles.map((file) => parseJob(JSON.parse(readFileSync(file, 'utf8'))))
  await transaction('seed', async (runner) => {
    const teamId = randomUUID()
    await insertTeam(teamId, 'Tern Street Solar', runner)
    await insertDesigner(randomUUID(), teamId, 'Imke Fairweather', runner, 'owner')
    for (const job of jobs) await createJob(teamId, job, { runner })
  })
  return true
}
