import { randomUUID } from 'node:crypto'
import { saltmarshJob } from '@/town/shipped-job'
import { transaction } from './database'
import { createJob } from './jobs'
import { insertDesigner, insertTeam, maybeOneFirstDesigner } from './sql/people'

/** A made-up team with the shipped job, where nothing is stored yet. */
export async function seedIfEmpty(): Promise<boolean> {
  if (await maybeOneFirstDesigner()) return false
  await transaction('seed', async (runner) => {
    const teamId = randomUUID()
    await insertTeam(teamId, 'Tern Street Solar', runner)
    await insertDesigner(randomUUID(), teamId, 'Imke Fairweather', runner)
    await createJob(teamId, saltmarshJob(), runner)
  })
  return true
}
