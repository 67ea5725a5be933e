import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { runShown } from './commands.mjs'
import { inRoot } from './folders.mjs'
import { buildThreads } from './threads.mjs'

const sources = [
  'app',
  'bench',
  'stage',
  'charts',
  'proposal',
  'core',
  'services',
  'words',
  'workers',
  'server',
  'town',
  'samples',
  'instrumentation.ts',
  'proxy.ts',
  'scripts/migrate-and-seed.ts',
  'scripts/parts/threads.mjs',
  'package-lock.json',
  'next.config.ts',
  'tsconfig.json',
  'postcss.config.mjs',
]

/** A digest of every source file's path, so that the same sources are built once. */
function digestSources() {
  const hash = createHash('sha256')
  const visit = (path) => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name))
    else if (!path.includes('.test.')) hash.update(path).update(readFileSync(path))
  }
  for (const source of sources) visit(inRoot(source))
  return hash.digest('hex')
}

/** Builds for production unless these very sources were built before. */
export async function buildIfChanged() {
  const stamp = inRoot('.next', 'tall-gable-built')
  const digest = digestSources()
  if (
    existsSync(inRoot('dist', 'compute.mjs')) &&
    existsSync(stamp) &&
    readFileSync(stamp, 'utf8') === digest
  )
    return
  console.log('Building …')
  await buildThreads()
  runShown('node', ['node_modules/next/dist/bin/next', 'build'], {
    NEXT_TELEMETRY_DISABLED: '1',
  })
  writeFileSync(stamp, digest)
}
