import { build } from 'esbuild'
import { inRoot, root } from './folders.mjs'

/** What runs before and beside the application, in threads and processes of its own, by the name of its file in `dist`. */
const entries = {
  compute: 'server/compute/worker.ts',
  work: 'server/work/work-process.ts',
  print: 'server/print/print-process.ts',
  town: 'app/world/town-worker.ts',
  first: 'scripts/migrate-and-seed.ts',
  owner: 'scripts/first-owner.ts',
}

/** Bundles them; packages stay where they are. */
export async function buildThreads() {
  await build({
    absWorkingDir: root,
    entryPoints: Object.fromEntries(Object.entries(entries).map(([name, file]) => [name, inRoot(file)])),
    outdir: inRoot('dist'),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    tsconfig: inRoot('tsconfig.json'),
    logLevel: 'warning',
  })
}
