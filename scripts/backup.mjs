// Keeps all that is stored in one file, while the application runs or not: `npm run backup` or `npm run backup -- FILE`.
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { keptSecret } from './parts/app-server.mjs'
import { BackupFault, backUp, checkBackup, countJobs, knownMigrations } from './parts/backup.mjs'
import { dataFolder } from './parts/data-folder.mjs'
import { installDebianPackages } from './parts/install.mjs'
import { PrivateDatabase } from './parts/private-database.mjs'

installDebianPackages()
const folder = dataFolder()
const [given] = process.argv.slice(2)
const name = `tall-gable-${new Date().toISOString().replaceAll(':', '-').slice(0, 19)}.sql.gz`
const file = resolve(given ?? join(folder, 'backups', name))

/** What to back up, and how to let go of it. */
async function open() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, close: () => undefined }
  const database = new PrivateDatabase(folder)
  const running = database.runningUrl()
  if (running) return { url: running, close: () => undefined }
  if (!existsSync(join(folder, 'mariadb'))) throw new BackupFault(`Nothing is stored in ${folder} yet.`)
  return { url: await database.start(), close: () => database.stop() }
}

try {
  if (existsSync(file)) throw new BackupFault(`${file} is there already. Name another file.`)
  const { url, close } = await open()
  try {
    const digest = await backUp(url, file, keptSecret(folder))
    // As it lies there, so that nobody relies on what the disk did not take.
    await checkBackup(file, knownMigrations())
    console.log(
      `${await countJobs(url)} jobs and all that belongs to them are in\n  ${file}\nsha256 ${digest}`,
    )
    console.log('Keep it as safe as the database: it holds what your customers told you.')
  } finally {
    await close()
  }
} catch (error) {
  console.error(error instanceof BackupFault ? error.message : `The backup failed: ${error.message}`)
  process.exitCode = 1
}
