import { mkdirSync, renameSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { townAnswer } from './answers'
import { stations } from './stations'

/**
 * Writes the made-up world's answers as files, for programs that have no server to ask: one file to a path, under the
 * path's own name. Addresses are not among them; they answer to what is typed. Single years of weather are written when
 * they are named: `weather/<station>.epw?year=2025`, as `weather/<station>.epw-2025`.
 *
 * `node --import tsx town/write-files.ts FOLDER [PATH...]`
 */
const [folder, ...named] = process.argv.slice(2)
if (folder === undefined) throw new Error('name the folder to write to')
const usual = ['stations', 'catalogue', ...stations.map(({ id }) => `weather/${id}.epw`)]
for (const path of named.length > 0 ? named : usual) {
  const [at = '', query = ''] = path.split('?')
  const asked = new URLSearchParams(query)
  const { status, body } = townAnswer(at, asked)
  // What the world does not know has no file, as it has no answer.
  if (status !== 200) continue
  const year = asked.get('year')
  const file = join(folder, year === null ? at : `${at}-${year}`)
  mkdirSync(dirname(file), { recursive: true })
  // Whole at once: another process may be waiting for it.
  writeFileSync(`${file}.${process.pid}`, body)
  renameSync(`${file}.${process.pid}`, file)
}
