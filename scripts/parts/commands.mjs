import { spawn, spawnSync } from 'node:child_process'
import { root } from './folders.mjs'

/** Runs a command to its end with its output shown; throws when it fails. */
export function runShown(command, args, env = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  if (result.status !== 0)
    throw new Error(`${command} ${args.join(' ')} ended with ${result.status ?? result.signal}`)
}

/** Runs a command quietly; true when it ended well. */
export function succeeds(command, args) {
  return spawnSync(command, args, { cwd: root, stdio: 'ignore' }).status === 0
}

/** Starts a command in a process group of its own, so that Ctrl-C reaches only us and we end it in order. */
export function startChild(command, args, { env = {}, stdio = 'inherit' } = {}) {
  return spawn(command, args, { cwd: root, stdio, detached: true, env: { ...process.env, ...env } })
}

export const isAlive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch {
    return false
  }
}

export const pause = (ms) => new Promise((done) => setTimeout(done, ms))

/** Waits for something, but no longer than a while. */
export async function atMost(ms, promise) {
  let timer
  await Promise.race([promise, new Promise((done) => (timer = setTimeout(done, ms)))])
  clearTimeout(timer)
}

/** Whether a child is gone, by itself or by a signal. */
export const hasEnded = (child) => child.exitCode !== null || child.signalCode !== null

/** Ends a child: asks, waits, then insists. */
export async function endChild(child, waitMs = 8000) {
  if (hasEnded(child)) return
  const gone = new Promise((done) => child.once('exit', done))
  child.kill('SIGTERM')
  await atMost(waitMs, gone)
  if (!hasEnded(child)) child.kill('SIGKILL')
}
