import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { forNode } from './bundling.mjs'
import { inRoot } from './folders.mjs'

/** The command line in one file: to begin with hundreds takes seconds, every time. Its first line says what it was made from. */
const made = inRoot('dist', 'gable.mjs')

/** A file as it is told from a changed one. */
const markOf = (file) => {
  const { mtimeMs, size } = statSync(inRoot(file))
  return `${mtimeMs} ${size}`
}

function isCurrent() {
  if (!existsSync(made)) return false
  try {
    const text = readFileSync(made, 'utf8')
    const marks = JSON.parse(text.slice('// '.length, text.indexOf('\n')))
    return Object.entries(marks).every(([file, mark]) => markOf(file) === mark)
  } catch {
    // Made otherwise, or from a file that is gone.
    return false
  }
}

async function make() {
  const { build } = await import('esbuild')
  const begun = Date.now()
  const { outputFiles, metafile } = await build({
    ...forNode,
    entryPoints: [inRoot('cli/main.ts')],
    outfile: made,
    metafile: true,
    write: false,
  })
  const files = [...Object.keys(metafile.inputs), 'tsconfig.json', 'package-lock.json']
  // Of one that was saved meanwhile nobody knows what was read: then it is made anew the next time.
  const isSettled = files.every((file) => statSync(inRoot(file)).mtimeMs < begun)
  const marks = isSettled && Object.fromEntries(files.map((file) => [file, markOf(file)]))
  mkdirSync(inRoot('dist'), { recursive: true })
  // Whole, and at once: others may be reading it, or making it too.
  const part = `${made}.${process.pid}`
  writeFileSync(part, `// ${JSON.stringify(marks || { '': '' })}\n${outputFiles[0].text}`)
  renameSync(part, made)
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
