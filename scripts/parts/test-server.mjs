import { mkdirSync, rmSync } from 'node:fs'
import { startApp } from './app-server.mjs'
import { endChild, runShown } from './commands.mjs'
import { inRoot } from './folders.mjs'
import { freePort, PrivateDatabase } from './private-database.mjs'

/**
 * The built application on a database of its own, made anew; gives its address, and ends both.
 * @param signIn `accounts` for one where people sign in
 */
export async function startTestServer(name, signIn = 'local') {
  const folder = inRoot('.test-data', name)
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const database = new PrivateDatabase(folder)
  const databaseUrl = await database.start()
  runShown('node', ['dist/first.mjs'], { DATABASE_URL: databaseUrl })
  const port = await freePort(0)
  let app = await startApp({ folder, port, databaseUrl, signIn })
  return {
    address: app.address,
    folder,
    databaseUrl,
    stopApp: () => endChild(app.child),
    startAppAgain: async () => {
      app = await startApp({ folder, port, databaseUrl, signIn })
    },
    stopDatabase: () => database.stop(),
    restartDatabase: () => database.restart(),
    database,
    stop: async () => {
      await endChild(app.child)
      await database.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
