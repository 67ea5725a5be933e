import { build } from 'esbuild'
import { forNode } from './bundling.mjs'
import { inRoot } from './folders.mjs'

/** What runs before and beside the application, in threads and processes of its own, by the name of its file in `dist`. */
const entries = {
  compute: 'server/compute/worker.ts',
  work: 'server/work/work-process.ts',
  print: 'server/print/print-process.ts',
  town: 'app/world/town-worker.ts',
  first: 'scripts/migrate-and-seed.ts',
  owner: 'scripts/first-owner.ts',
}

/** Bundles them. */
export async function buildThreads() {
  await build({
    ...forNode,
    entryPoints: Object.fromEntries(Object.entries(entries).map(([name, file]) => [name, inRoot(file)])),
    outdir: inRoot('dist'),
    outExtension: { '.js': '.mjs' },
  })
}
