import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { endLeftovers, startApp, startWorker } from './parts/app-server.mjs'
import { buildIfChanged } from './parts/build.mjs'
import { endChild, pause, runShown } from './parts/commands.mjs'
import { dataFolder, isStarted, lockIn } from './parts/data-folder.mjs'
import { installDebianPackages, installNodePackages } from './parts/install.mjs'
import { freePort, PrivateDatabase } from './parts/private-database.mjs'
import { readSecretFiles } from './parts/secrets.mjs'
import { buildThreads } from './parts/threads.mjs'

readSecretFiles()

const dev = process.argv.includes('--dev')
const verbose = process.argv.includes('--verbose')
const folder = dataFolder()
const lock = lockIn(folder)
const wantedPort = Number(process.env.PORT ?? 4310)

installDebianPackages()
installNodePackages()
if (dev) await buildThreads()
else await buildIfChanged()
mkdirSync(folder, { recursive: true, mode: 0o700 })
if (isStarted(folder)) {
  console.error('Tall Gable is already running from this folder. Stop it with Ctrl-C where it was started.')
  process.exit(1)
}
writeFileSync(lock, String(process.pid))
const leftoverEnded = endLeftovers(folder)

const database = process.env.DATABASE_URL ? null : new PrivateDatabase(folder)
let app = null
let worker = null
let ending = false
/** Rest before a worker that died is started again. */
const workerRestMs = 1000

async function end(code) {
  if (ending) return
  ending = true
  await Promise.all([app && endChild(app.child), worker && endChild(worker)])
  await database?.stop()
  rmSync(lock, { force: true })
  process.exit(code)
}
process.on('SIGINT', () => void end(0))
process.on('SIGTERM', () => void end(0))
process.on('SIGHUP', () => void end(0))

/** Brings a part back that died, a few times in a row at most. */
async function keepUp(what, restart) {
  for (let attempt = 1; attempt <= 5 && !ending; attempt++) {
    console.error(`${what} ended unexpectedly; starting it again.`)
    try {
      await restart()
      return
    } catch (error) {
      console.error(error.message)
      await pause(1000 * attempt)
    }
  }
  await end(1)
}

const watchDatabase = () =>
  database?.onDeath(
    () =>
      void keepUp('The database', async () => {
        await database.restart()
        watchDatabase()
      }),
  )

const watchApp = () =>
  app.child.once('exit', () => {
    if (!ending)
      void keepUp('The application', async () => {
        app = await startApp({ folder, port, databaseUrl, dev, verbose })
        watchApp()
      })
  })

const watchWorker = () =>
  worker.once('exit', () => {
    if (!ending)
      void keepUp('The worker', async () => {
        await pause(workerRestMs)
        worker = startWorker({ folder, databaseUrl, origin: app.address, verbose })
        watchWorker()
      })
  })

let port = 0
let databaseUrl = process.env.DATABASE_URL ?? ''
try {
  if (database) databaseUrl = await database.start()
  watchDatabase()
  runShown('node', ['dist/first.mjs'], { DATABASE_URL: databaseUrl })
  await leftoverEnded
  port = await freePort(wantedPort)
  if (port !== wantedPort) console.log(`Port ${wantedPort} is taken.`)
  app = await startApp({ folder, port, databaseUrl, dev, verbose })
  watchApp()
  worker = startWorker({ folder, databaseUrl, origin: app.address, verbose })
  watchWorker()
  console.log(`\n  Tall Gable is at ${app.address}\n\n  Ctrl-C ends it.\n`)
  if ((process.env.SIGN_IN ?? 'local') !== 'local')
    runShown('node', ['dist/owner.mjs'], { DATABASE_URL: databaseUrl, APP_ORIGIN: app.address })
} catch (error) {
  console.error(error.message)
  await end(1)
}
