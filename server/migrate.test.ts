import { cpSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PrivateDatabase } from '@/scripts/parts/private-database.mjs'
import { closeDatabase, many, run } from './database'
import { migrate, migrationFiles } from './migrate'
import { writeMissingWords } from './sql/job-words'
import { manyJobs, openJobs } from './sql/job-list'

const folder = mkdtempSync(join(tmpdir(), 'tall-gable-migrate-'))
const database = new PrivateDatabase(folder, { quiet: true })
const url = await database.start()
process.env['DATABASE_URL'] = url
afterAll(async () => {
  await closeDatabase()
  await database.stop()
  rmSync(folder, { recursive: true, force: true })
})

test('jobs of an older installation come along: with a status from their offers, and found by name', async () => {
  const all = join(process.cwd(), 'server', 'migrations')
  const old = join(folder, 'old')
  mkdirSync(old)
  for (const name of migrationFiles().filter((file) => file < '006')) cpSync(join(all, name), join(old, name))
  await migrate(url, old)
  await run('team', "INSERT INTO team (id, name) VALUES ('t', 'Team')")
  const jobs = [
    ['a', 'Plain', '1 Élm Street'],
    ['b', 'Sent', '2 Elm Street'],
    ['c', 'Taken', '3 Oak'],
  ] as const
  for (const [id, name, address] of jobs)
    await run('job', "INSERT INTO job (id, team_id, name, address) VALUES (?, 't', ?, ?)", [
      id,
      name,
      address,
    ])
  for (const [digest, job, accepted] of [
    ['1', 'b', null],
    ['2', 'c', null],
    ['3', 'c', '2026-01-01'],
  ] as const)
    await run(
      'share',
      "INSERT INTO share (token_digest, id, job_id, document_id, accepted_at) VALUES (?, ?, ?, 'option-a', ?)",
      [digest, digest, job, accepted],
    )
  expect(await migrate(url, all)).toEqual(migrationFiles().filter((file) => file >= '006'))
  expect(await migrate(url, all)).toEqual([])
  const named = async (search: string) =>
    (await manyJobs('t', { ...openJobs, search })).map(({ name, status }) => `${name} ${status}`).sort()
  expect(await named('')).toEqual(['Plain lead', 'Sent offered', 'Taken accepted'])
  expect(await named('SENT')).toEqual(['Sent offered'])
  // Without accents once the application has tidied up.
  while ((await writeMissingWords()) > 0);
  expect(await named('elm')).toEqual(['Plain lead', 'Sent offered'])
  expect(await many('left', 'SELECT job_id FROM job_words WHERE version = 0')).toEqual([])
}, 60_000)
