// Puts a backup in the place of what is stored: `npm run restore -- FILE`, with `--replace` where jobs are stored already.
import { mkdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { keptSecret, takeSecret } from './parts/app-server.mjs'
import {
  BackupFault,
  backUp,
  checkBackup,
  checkRoom,
  countJobs,
  empty,
  knownMigrations,
  migrationsOf,
  restore,
} from './parts/backup.mjs'
import { dataFolder, isStarted } from './parts/data-folder.mjs'
import { installDebianPackages } from './parts/install.mjs'
import { PrivateDatabase } from './parts/private-database.mjs'

installDebianPackages()
const folder = dataFolder()
const words = process.argv.slice(2)
const isReplacing = words.includes('--replace')
const [given] = words.filter((word) => !word.startsWith('--'))

/** Keeps what is there now, restores, and brings back what was there where that fails. */
async function exchange(url, file, known) {
  // People, weather and files count, too.
  const before = (await migrationsOf(url)).length > 0
  const name = `before-restore-${new Date().toISOString().replaceAll(':', '-').slice(0, 19)}.sql.gz`
  const kept = join(folder, 'backups', name)
  if (before) {
    await backUp(url, kept, keptSecret(folder))
    // It must be one that can be put back.
    await checkRoom(url, await checkBackup(kept, known))
    console.log(`What was stored so far is kept in\n  ${kept}`)
  }
  try {
    return await restore(url, file)
  } catch (error) {
    if (!before) {
      await empty(url)
      throw error
    }
    await restore(url, kept)
    throw new BackupFault(`${error.message}\nWhat was stored before is there again.`)
  }
}

async function go() {
  if (!given) throw new BackupFault('Name the backup to restore: npm run restore -- FILE')
  const file = resolve(given)
  const known = knownMigrations()
  const head = await checkBackup(file, known)
  if (isStarted(folder)) throw new BackupFault('Tall Gable runs from this folder. End it first.')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const database = process.env.DATABASE_URL ? null : new PrivateDatabase(folder)
  const url = database ? await database.start() : process.env.DATABASE_URL
  try {
    const jobs = await countJobs(url)
    if (jobs > 0 && !isReplacing)
      throw new BackupFault(
        `${jobs} jobs are stored here already. With --replace they make way; a backup of them is taken before.`,
      )
    await checkRoom(url, head)
    const digest = await exchange(url, file, known)
    takeSecret(folder, head)
    console.log(
      `${await countJobs(url)} jobs as of ${head.takenAt} are back.\nsha256 ${digest}, as in the backup`,
    )
  } finally {
    await database?.stop()
  }
}

try {
  await go()
} catch (error) {
  console.error(error instanceof BackupFault ? error.message : `Nothing was restored: ${error.message}`)
  process.exitCode = 1
}
