import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import { mkdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { Fault } from '@/core/model/fault'
import { overHttp, type Ask } from '@/services/ask'

const root = new URL('..', import.meta.url).pathname

/** Where the answer to a path is; of a single year beside the typical one. */
function fileFor(folder: string, path: string): string {
  const [at = '', query = ''] = path.split('?')
  const year = /^year=(\d{4})$/.exec(query)?.[1]
  const named = year === undefined ? at : `${at}-${year}`
  return join(folder, ...named.split('/').map((part) => part.replaceAll(/[^\w.-]/g, '_')))
}

/** Reads a service's answers from files of a folder, as they were written from it. */
export const overFiles =
  (folder: string): Ask =>
  async (path) => {
    const file = fileFor(folder, path)
    if (!existsSync(file) || !statSync(file).isFile()) return { status: 404, text: async () => '' }
    return { status: 200, text: async () => readFileSync(file, 'utf8') }
  }

/**
 * The service that knows weather and equipment: at an address, in a folder, or the made-up world that comes with the
 * application.
 * @throws Fault `no-file` for a folder that is not there
 */
export function worldAt(place: string | undefined): Ask {
  if (place === undefined) return madeUpAsk(madeUpWorld())
  if (/^https?:/.test(place)) return overHttp(place.replace(/\/$/, ''))
  if (!existsSync(join(place, 'catalogue')))
    throw new Fault('no-file', { file: join(place, 'catalogue'), doing: 'read', reason: 'ENOENT' }, 'world')
  return overFiles(place)
}

/** What the made-up world is made from. */
const sources = ['town', 'core/geometry', 'core/kinds', 'core/model', 'core/sun', 'core/weather']

function digestOf(folders: readonly string[]): string {
  const hash = createHash('sha256')
  const visit = (path: string): void => {
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name))
    else if (!path.includes('.test.')) hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  for (const folder of folders) visit(join(root, folder))
  return hash.digest('hex').slice(0, 16)
}

/** The made-up world, whose single years of weather are written when they are first asked for. */
const madeUpAsk =
  (folder: string): Ask =>
  (path) => {
    if (/\?year=\d{4}$/.test(path) && !existsSync(fileFor(folder, path))) writeWorld(folder, path)
    return overFiles(folder)(path)
  }

/** By a process of its own, which reads the world's sources as they are: the command itself knows nothing of them. */
function writeWorld(folder: string, ...paths: readonly string[]): void {
  const tsx = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href
  const { status, stderr } = spawnSync(
    process.execPath,
    ['--import', tsx, join(root, 'town', 'write-files.ts'), folder, ...paths],
    { encoding: 'utf8', env: { ...process.env, TSX_TSCONFIG_PATH: join(root, 'tsconfig.json') } },
  )
  if (status !== 0) throw new Error(`the made-up world was not written: ${stderr}`)
}

/** The folder with the made-up world's answers; written the first time, and again when it has changed. */
function madeUpWorld(): string {
  const data = join(root, '.data')
  const folder = join(data, `world-${digestOf(sources)}`)
  if (existsSync(folder)) return folder
  mkdirSync(data, { recursive: true, mode: 0o700 })
  const unfinished = mkdtempSync(join(data, 'world-unfinished-'))
  writeWorld(unfinished)
  try {
    renameSync(unfinished, folder)
  } catch (error) {
    rmSync(unfinished, { recursive: true })
    // Another process was as fast.
    if (!existsSync(folder)) throw error
  }
  for (const name of readdirSync(data))
    if (name.startsWith('world-') && !name.startsWith('world-unfinished-') && join(data, name) !== folder)
      rmSync(join(data, name), { recursive: true, force: true })
  return folder
}
