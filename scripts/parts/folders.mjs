import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The checkout. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..')
export const inRoot = (...parts) => join(root, ...parts)
