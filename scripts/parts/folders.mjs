import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The checkout. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..')
/** Where the sources are. */
export const sourceFolders = [
  'app',
  'bench',
  'charts',
  'cli',
  'core',
  'proposal',
  'scripts',
  'server',
  'services',
  'stage',
  'town',
  'words',
  'workers',
]

export const inRoot = (...parts) => join(root, ...parts)
