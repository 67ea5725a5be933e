import { execFileSync } from 'node:child_process'
import { mkdirSync, rmSync } from 'node:fs'
import { startApp, startWorker } from './app-server.mjs'
import { endChild, runShown } from './commands.mjs'
import { inRoot, root } from './folders.mjs'
import { freePort, PrivateDatabase } from './private-database.mjs'

/** The link that the start command says where people sign in and nobody has an account yet. */
function ownerLink(databaseUrl, address) {
  const said = execFileSync('node', ['dist/owner.mjs'], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: databaseUrl, APP_ORIGIN: address },
  })
  return /http\S+invitation\S+/.exec(said)?.[0] ?? ''
}

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
  const startOwnWorker = () => startWorker({ folder, databaseUrl, origin: app.address })
  let worker = startOwnWorker()
  return {
    address: app.address,
    folder,
    ownerLink: () => ownerLink(databaseUrl, app.address),
    databaseUrl,
    stopApp: () => endChild(app.child),
    startAppAgain: async () => {
      app = await startApp({ folder, port, databaseUrl, signIn })
    },
    killWorker: () => worker.kill('SIGKILL'),
    startWorkerAgain: () => {
      worker = startOwnWorker()
    },
    stopDatabase: () => database.stop(),
    restartDatabase: () => database.restart(),
    database,
    stop: async () => {
      await Promise.all([endChild(app.child), endChild(worker)])
      await database.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
