import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PrivateDatabase } from '@/scripts/parts/private-database.mjs'
import { townAnswer } from '@/town/answers'
import { closeDatabase } from './database'
import { migrate } from './migrate'

/** Ends a test's database, and the database itself for those who harm it. */
type TestDatabase = (() => Promise<void>) & { readonly database: PrivateDatabase }

/** A database of a test's own, empty and up to date; the statements of this process go there. */
export async function openTestDatabase(): Promise<TestDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'tall-gable-test-'))
  const database = new PrivateDatabase(folder, { quiet: true })
  const url = await database.start()
  await migrate(url, new URL('migrations', import.meta.url).pathname)
  process.env['DATABASE_URL'] = url
  const close = async () => {
    await closeDatabase()
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  return Object.assign(close, { database })
}

/** The made-up world on loopback, for this process and its threads. */
export async function openTestWorld(): Promise<() => Promise<void>> {
  const server = createServer((request, response) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://127.0.0.1')
    const { status, type, body } = townAnswer(pathname.slice(1), searchParams)
    response.writeHead(status, { 'Content-Type': type }).end(body)
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const address = server.address()
  if (address === null || typeof address === 'string') throw new Error('a port of loopback')
  process.env['WORLD_URL'] = `http://127.0.0.1:${address.port}`
  return () =>
    new Promise((done) => {
      server.closeAllConnections()
      server.close(() => done())
    })
}
