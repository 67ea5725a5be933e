import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { inRoot, root } from './folders.mjs'

/** The command line in one file, and what it was made from: to begin with hundreds takes seconds, every time. */
const made = inRoot('dist', 'gable.mjs')
const madeFrom = inRoot('dist', 'gable.json')

/** A file as it is told from a changed one. */
const markOf = (file) => {
  const { mtimeMs, size } = statSync(inRoot(file))
  return `${mtimeMs} ${size}`
}

function isCurrent() {
  if (!existsSync(made) || !existsSync(madeFrom)) return false
  try {
    const marks = JSON.parse(readFileSync(madeFrom, 'utf8'))
    return Object.entries(marks).every(([file, mark]) => markOf(file) === mark)
  } catch {
    // Half of it, or a file that is gone.
    return false
  }
}

/** Writes a file whole: others may be reading it, or making it too. */
function writeWhole(file, text) {
  const part = `${file}.${process.pid}`
  writeFileSync(part, text)
  renameSync(part, file)
}

async function make() {
  const { build } = await import('esbuild')
  const { outputFiles, metafile } = await build({
    absWorkingDir: root,
    entryPoints: [inRoot('cli/main.ts')],
    outfile: made,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    tsconfig: inRoot('tsconfig.json'),
    logLevel: 'warning',
    metafile: true,
    write: false,
  })
  const files = [...Object.keys(metafile.inputs), 'tsconfig.json', 'package-lock.json']
  const marks = JSON.stringify(Object.fromEntries(files.map((file) => [file, markOf(file)])))
  mkdirSync(inRoot('dist'), { recursive: true })
  writeWhole(made, outputFiles[0].text)
  writeWhole(madeFrom, marks)
}

/** Where the command line lies ready, made anew when one of its files has changed; read as it is where nothing may be written. */
export async function bundledCommand() {
  if (isCurrent()) return pathToFileURL(made).href
  try {
    await make()
    return pathToFileURL(made).href
  } catch (error) {
    if (!['EACCES', 'EROFS', 'EPERM'].includes(error.code)) throw error
    const { register } = await import('tsx/esm/api')
    register({ tsconfig: inRoot('tsconfig.json') })
    return pathToFileURL(inRoot('cli/main.ts')).href
  }
}
