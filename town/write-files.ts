import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { townAnswer } from './answers'
import { stations } from './stations'

/**
 * Writes the made-up world's answers as files, for programs that have no server to ask: one file to a path, under the
 * path's own name. Addresses are not among them; they answer to what is typed.
 *
 * `node --import tsx town/write-files.ts FOLDER`
 */
const [folder] = process.argv.slice(2)
if (folder === undefined) throw new Error('name the folder to write to')
for (const path of ['stations', 'catalogue', ...stations.map(({ id }) => `weather/${id}.epw`)]) {
  const file = join(folder, path)
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, townAnswer(path, new URLSearchParams()).body)
}
