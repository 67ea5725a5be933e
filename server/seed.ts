import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { parseJob } from '@/core/kinds/job'
import { transaction } from './database'
import { createJob } from './jobs'
import { insertDesigner, insertTeam, maybeOneFirstDesigner } from './sql/people'

/** A made-up team with the shipped job, where nothing is stored yet. */
export async function seedIfEmpty(jobFile: string): Promise<boolean> {
  if (await maybeOneFirstDesigner()) return false
  const job = parseJob(JSON.parse(readFileSync(jobFile, 'utf8')))
  await transaction('seed', async (runner) => {
    const teamId = randomUUID()
    await insertTeam(teamId, 'Tern Street Solar', runner)
    await insertDesigner(randomUUID(), teamId, 'Imke Fairweather', runner)
    await createJob(teamId, job, runner)
  })
  return true
}
