// A worker on a machine of its own: does the long work that applications with the same database have written there.
// `npm run worker`, and docs/running.md for what it is told.
import { mkdirSync } from 'node:fs'
import { startWorker } from './parts/app-server.mjs'
import { endChild, pause } from './parts/commands.mjs'
import { dataFolder } from './parts/data-folder.mjs'
import { installDebianPackages, installNodePackages } from './parts/install.mjs'
import { readSecretFiles } from './parts/secrets.mjs'
import { buildThreads } from './parts/threads.mjs'

/** Rest before one that died is started again. */
const restMs = 1000

readSecretFiles()
const { DATABASE_URL: databaseUrl, APP_ORIGIN: origin, SESSION_SECRET: secret } = process.env
if (!databaseUrl || !origin || !secret) {
  console.error('A worker needs DATABASE_URL, SESSION_SECRET and APP_ORIGIN: see docs/running.md.')
  process.exit(1)
}
installDebianPackages()
installNodePackages()
await buildThreads()
const folder = `${dataFolder()}-worker`
mkdirSync(folder, { recursive: true, mode: 0o700 })

let ending = false
let worker = null
function start() {
  worker = startWorker({ folder, databaseUrl, origin, verbose: process.argv.includes('--verbose') })
  worker.once('exit', () => {
    if (ending) return
    console.error('The worker ended unexpectedly; starting it again.')
    void pause(restMs).then(() => {
      if (!ending) start()
    })
  })
}
async function end() {
  if (ending) return
  ending = true
  await endChild(worker)
  process.exit(0)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end())
start()
console.log(`\n  A worker does long work for ${origin}\n\n  Ctrl-C ends it.\n`)
