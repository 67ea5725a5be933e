import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { parseJob } from '@/core/kinds/job'
import { transaction } from './database'
import { createJob } from './jobs'
import { saveLetterhead, saveLogo } from './sql/letterheads'
import { insertDesigner, insertTeam, maybeOneFirstDesigner } from './sql/people'

/** Who the made-up team is to its customers. */
const letterhead = {
  name: 'Tern Street Solar',
  licence: 'SB-20417',
  postal: '5 Tern Street, Saltmarsh Bay',
  phone: '555 0142',
  mail: 'hello@ternstreet.example',
  web: 'ternstreet.example',
  colour: '#23445e',
}

/** A made-up team with the shipped jobs, where nothing is stored yet; the last one stands first in the list. */
export async function seedIfEmpty(jobFiles: readonly string[], logoFile?: string): Promise<boolean> {
  if (await maybeOneFirstDesigner()) return false
  const jobs = jobFiles.map((file) => parseJob(JSON.parse(readFileSync(file, 'utf8'))))
  const logo = logoFile === undefined ? null : readFileSync(logoFile)
  await transaction('seed', async (runner) => {
    const teamId = randomUUID()
    await insertTeam(teamId, letterhead.name, runner)
    await saveLetterhead(teamId, letterhead, runner)
    if (logo) await saveLogo(teamId, { bytes: logo, mediaType: 'image/png' }, runner)
    await insertDesigner(randomUUID(), teamId, 'Imke Fairweather', runner, 'owner')
    for (const job of jobs) await createJob(teamId, job, { runner })
  })
  return true
}
