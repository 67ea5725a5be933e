import { spawnSync } from 'node:child_process'
import { createHash, randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { migrationFiles } from '@/server/migrate'
import { many, run, transaction } from '@/server/database'
import { largestFileBytes } from '@/server/files'
import { changeProgress } from '@/server/sql/job-progress'
import { insertJob } from '@/server/sql/jobs'
import { insertDesigner, insertTeam } from '@/server/sql/people'
import { openTestDatabase } from '@/server/testing'
import {
  backUp,
  checkBackup,
  checkRoom,
  countJobs,
  digestOfDatabase,
  empty,
  restore,
} from './parts/backup.mjs'
import { PrivateDatabase } from './parts/private-database.mjs'

const close = await openTestDatabase()
const folder = mkdtempSync(join(tmpdir(), 'tall-gable-backup-'))
const other = new PrivateDatabase(join(folder, 'other'), { quiet: true })
const otherUrl = await other.start()
afterAll(async () => {
  await other.stop()
  await close()
  rmSync(folder, { recursive: true, force: true })
})

const url = () => process.env['DATABASE_URL'] ?? ''
const known = migrationFiles()
const teamId = randomUUID()
beforeAll(async () => {
  await transaction('people', async (runner) => {
    await insertTeam(teamId, 'Grüße & 太陽', runner)
    await insertDesigner(randomUUID(), teamId, "O'Hara \\ ☀", runner)
  })
})
const put = (name: string) =>
  transaction('job', (runner) => insertJob(randomUUID(), teamId, name, '1 Elm', runner))

test('a restored database is the one that was backed up, byte for byte, whatever was there before', async () => {
  for (let k = 0; k < 30; k++) await put(`Job ${k}`)
  const id = randomUUID()
  await transaction('job', (runner) => insertJob(id, teamId, 'Odd', "x'); --", runner))
  await changeProgress(teamId, id, {
    notes: 'line\nbreak \u0001 "quoted"',
    tags: ['a'],
    nextOn: '2027-02-28',
  })
  await run('file', 'INSERT INTO file (team_id, id, media_type, size_bytes, body) VALUES (?, ?, ?, ?, ?)', [
    teamId,
    'f'.repeat(24),
    'image/png',
    256,
    Buffer.from(Array.from({ length: 256 }, (_, k) => k)),
  ])
  // As large as one may be, and of bytes that no text has.
  await run('file', 'INSERT INTO file (team_id, id, media_type, size_bytes, body) VALUES (?, ?, ?, ?, ?)', [
    teamId,
    'e'.repeat(24),
    'image/png',
    largestFileBytes,
    Buffer.alloc(largestFileBytes, 0xff),
  ])
  const file = join(folder, 'one.sql.gz')
  const digest = await backUp(url(), file, { sessionSecret: 's'.repeat(64) })
  expect(await digestOfDatabase(url())).toBe(digest)
  expect(await checkBackup(file, known)).toMatchObject({ migrations: known, sessionSecret: 's'.repeat(64) })
  expect(await countJobs(otherUrl)).toBe(0)
  const checked = await checkBackup(file, known)
  expect(checked.longestStatement).toBeGreaterThan(2 * largestFileBytes)
  await checkRoom(otherUrl, checked)
  await expect(checkRoom(otherUrl, { longestStatement: 65 * 1024 * 1024 })).rejects.toThrow(/64 MB at most/)
  for (let k = 0; k < 2; k++) {
    expect(await restore(otherUrl, file)).toBe(digest)
    expect(await digestOfDatabase(otherUrl)).toBe(digest)
    expect(await countJobs(otherUrl)).toBe(31)
  }
  // Whatever is stored after changes what the digest says.
  await put('Late')
  expect(await digestOfDatabase(url())).not.toBe(digest)
}, 120_000)

test('a backup is of one moment, however much is saved meanwhile', async () => {
  let on = true
  let pairs = 0
  // Two jobs at a time in one transaction: no backup has one of them alone.
  const writer = (async () => {
    for (; on; pairs++)
      await transaction('pair', async (runner) => {
        for (const side of ['left', 'right'])
          await insertJob(randomUUID(), teamId, `${side} ${pairs}`, 'Pair', runner)
      })
  })()
  const counts: number[] = []
  for (let k = 0; k < 4; k++) {
    const file = join(folder, `moment-${k}.sql.gz`)
    const digest = await backUp(url(), file)
    expect(await restore(otherUrl, file)).toBe(digest)
    const dump = gunzipSync(readFileSync(file)).toString('utf8')
    const names = (side: string) =>
      new Set([...dump.matchAll(new RegExp(`'${side} (\\d+)'`, 'g'))].map(([, n]) => n))
    expect([...names('left')].sort()).toEqual([...names('right')].sort())
    counts.push(names('left').size)
  }
  on = false
  await writer
  expect(counts.at(-1)).toBeGreaterThan(counts[0] ?? 0)
}, 120_000)

test('a file that is damaged, breaks off, is newer or none at all is refused before anything is touched', async () => {
  const file = join(folder, 'good.sql.gz')
  await backUp(url(), file)
  const plain = gunzipSync(readFileSync(file))
  const before = await digestOfDatabase(otherUrl)
  const bad = async (name: string, bytes: Buffer) => {
    const place = join(folder, name)
    writeFileSync(place, bytes)
    return checkBackup(place, known).then(
      () => 'taken',
      (error: unknown) => (error instanceof Error ? error.message : ''),
    )
  }
  const changed = Buffer.from(plain)
  changed[changed.length >> 1] = (changed[changed.length >> 1] ?? 0) ^ 1
  expect(await bad('changed', gzipSync(changed))).toMatch(/does not match its checksum/)
  expect(await bad('short', gzipSync(plain.subarray(0, plain.length - 200)))).toMatch(/does not match/)
  expect(await bad('broken', readFileSync(file).subarray(0, 900))).toMatch(/breaks off/)
  expect(await bad('foreign', gzipSync('CREATE TABLE x (y INT);\n'))).toMatch(/no backup of Tall Gable/)
  expect(await bad('text', Buffer.from('hello'))).toMatch(/no backup of Tall Gable/)
  expect(await bad('empty', Buffer.alloc(0))).toMatch(/breaks off/)
  await expect(checkBackup(file, known.slice(0, -1))).rejects.toThrow(/newer version/)
  await expect(checkBackup(join(folder, 'none'), known)).rejects.toThrow(/there is no such file/)
  expect(await digestOfDatabase(otherUrl)).toBe(before)
  // Nothing half-written is left where a backup fails.
  await expect(backUp('mysql://nobody:x@127.0.0.1:1/none', join(folder, 'failed.sql.gz'))).rejects.toThrow()
  expect(readdirSync(folder).filter((name) => name.startsWith('failed'))).toEqual([])
  expect(await many('jobs', 'SELECT id FROM job LIMIT 1')).toHaveLength(1)
}, 120_000)

test('a restore that fails half-way leaves what was there, and jobs only make way when told to', async () => {
  const good = join(folder, 'again.sql.gz')
  await backUp(url(), good)
  const before = await restore(otherUrl, good)
  const spoiled = join(folder, 'spoiled.sql.gz')
  const dump = 'CREATE TABLE half (id INT);\nCREATE TABLE other (\n'
  const sum = createHash('sha256').update(dump).digest('hex')
  const head = JSON.stringify({ version: 1, takenAt: '2026-01-01T00:00:00.000Z', migrations: [] })
  writeFileSync(spoiled, gzipSync(`-- tall-gable-backup ${head}\n${dump}\n-- tall-gable-end ${sum}\n`))
  const command = (...words: readonly string[]) =>
    spawnSync('node', ['scripts/restore.mjs', ...words], {
      encoding: 'utf8',
      env: { ...process.env, DATABASE_URL: otherUrl, DATA_FOLDER: join(folder, 'place') },
    })
  expect(command(good)).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/jobs are stored here already/) as string,
  })
  const failed = command(spoiled, '--replace')
  expect(failed).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/failed: .*\nWhat was stored before is there again/s) as string,
  })
  expect(await digestOfDatabase(otherUrl)).toBe(before)
  expect(command(good, '--replace')).toMatchObject({ status: 0 })
  // Where nothing was, nothing half-made is left to start from.
  await empty(otherUrl)
  const nothing = await digestOfDatabase(otherUrl)
  expect(command(spoiled)).toMatchObject({ status: 1 })
  expect(await digestOfDatabase(otherUrl)).toBe(nothing)
  expect(command(good)).toMatchObject({ status: 0 })
}, 120_000)
