import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { hasEnded, isAlive, pause, startChild } from './commands.mjs'

const secretIn = (folder) => join(folder, 'session.secret')

/** The key of a data folder as a backup keeps it: sealed links can only be read again with it. Nothing where there is none. */
export const keptSecret = (folder) =>
  process.env.SESSION_SECRET || existsSync(secretIn(folder)) ? { sessionSecret: sessionSecret(folder) } : {}

/** Puts the key that a backup came with in its place. */
export const takeSecret = (folder, { sessionSecret: secret }) => {
  if (secret) writeFileSync(secretIn(folder), secret, { mode: 0o600 })
}

/**
 * The key that seals sessions and links, made once for a data folder; where it is given, it is that: several machines with
 * one database have one key.
 */
export function sessionSecret(folder) {
  if (process.env.SESSION_SECRET) return process.env.SESSION_SECRET
  const file = secretIn(folder)
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 })
  return readFileSync(file, 'utf8').trim()
}

/** Ends the processes of ours that a killed start command left behind. */
export async function endLeftovers(folder) {
  await Promise.all(['app.pid', 'worker.pid'].map((name) => endLeftover(folder, join(folder, name))))
}

async function endLeftover(folder, file) {
  if (!existsSync(file)) return
  const pid = Number(readFileSync(file, 'utf8'))
  const line = `/proc/${pid}/environ`
  if (!pid || !existsSync(line) || !readFileSync(line, 'utf8').includes(`TALL_GABLE_DATA=${folder}\0`)) return
  process.kill(pid, 'SIGTERM')
  for (let i = 0; i < 20 && isAlive(pid); i++) await pause(50)
  if (isAlive(pid)) process.kill(pid, 'SIGKILL')
}

/** What the framework itself prints, beside the application's own log. */
function outputOf(folder, verbose) {
  if (verbose) return ['ignore', 'inherit', 'inherit']
  mkdirSync(join(folder, 'logs'), { recursive: true, mode: 0o700 })
  const file = openSync(join(folder, 'logs', 'output.log'), 'a', 0o600)
  return ['ignore', file, file]
}

/** Starts the application on loopback and waits until it answers. */
export async function startApp({
  folder,
  port,
  databaseUrl,
  dev = false,
  verbose = false,
  signIn = process.env.SIGN_IN ?? 'local',
}) {
  const child = startChild(
    'node',
    ['node_modules/next/dist/bin/next', dev ? 'dev' : 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      stdio: outputOf(folder, verbose),
      env: {
        NODE_ENV: dev ? 'development' : 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        DATABASE_URL: databaseUrl,
        SESSION_SECRET: sessionSecret(folder),
        SIGN_IN: signIn,
        TALL_GABLE_DATA: folder,
        TALL_GABLE_VERBOSE: verbose ? '1' : '',
        APP_ORIGIN: `http://127.0.0.1:${port}`,
      },
    },
  )
  writeFileSync(join(folder, 'app.pid'), String(child.pid))
  const address = `http://127.0.0.1:${port}`
  for (let i = 0; i < 600; i++) {
    if (hasEnded(child))
      throw new Error(`The application ended while it was starting; see ${join(folder, 'logs')}.`)
    const answer = await fetch(`${address}/health`).catch(() => null)
    if (answer?.ok) return { child, address }
    await pause(50)
  }
  throw new Error('The application does not answer.')
}

/** Starts a process that does long work for an application. It takes what is there as soon as the database answers. */
export function startWorker({ folder, databaseUrl, origin, verbose = false }) {
  const child = startChild('node', ['dist/work.mjs'], {
    stdio: outputOf(folder, verbose),
    env: {
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      SESSION_SECRET: sessionSecret(folder),
      TALL_GABLE_DATA: folder,
      TALL_GABLE_VERBOSE: verbose ? '1' : '',
      LOG_FILE: 'worker.log',
      APP_ORIGIN: origin,
    },
  })
  writeFileSync(join(folder, 'worker.pid'), String(child.pid))
  return child
}
