import { existsSync, readFileSync, readlinkSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { inRoot, root } from './folders.mjs'

/** Where the data of this installation lies. */
export const dataFolder = () => resolve(process.env.DATA_FOLDER ?? inRoot('.data'))

/** The file that says which process has started from a folder. */
export const lockIn = (folder) => join(folder, 'start.pid')

/** Whether the process that wrote the lock still runs here; a killed one leaves it behind. @param script it runs */
export function isStarted(folder, script = 'start.mjs') {
  const lock = lockIn(folder)
  const pid = existsSync(lock) ? Number(readFileSync(lock, 'utf8')) : 0
  const place = `/proc/${pid}`
  if (!pid || !existsSync(place)) return false
  return (
    readFileSync(join(place, 'cmdline'), 'utf8').includes(script) && readlinkSync(join(place, 'cwd')) === root
  )
}
