import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PrivateDatabase } from '@/scripts/parts/private-database.mjs'
import { closeDatabase } from './database'
import { migrate } from './migrate'

/** A database of a test's own, empty and up to date; the statements of this process go there. */
export async function openTestDatabase(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), 'tall-gable-test-'))
  const database = new PrivateDatabase(folder, { quiet: true })
  const url = await database.start()
  await migrate(url, new URL('migrations', import.meta.url).pathname)
  process.env['DATABASE_URL'] = url
  return async () => {
    await closeDatabase()
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
