// What the server has to bear: `npm run ordeal` (an hour and more), `npm run ordeal -- --short` (as the tests run it), or
// the parts by name, such as `npm run ordeal -- kills list`.
import { spawnSync } from 'node:child_process'
import { buildIfChanged } from './parts/build.mjs'
import { root } from './parts/folders.mjs'
import { clusterPackages, installDebianPackages } from './parts/install.mjs'

if (process.argv.includes('cluster')) installDebianPackages(clusterPackages)
await buildIfChanged()
const { status } = spawnSync(
  'node',
  ['--import', 'tsx', 'scripts/ordeal/main.ts', ...process.argv.slice(2)],
  {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, TSX_TSCONFIG_PATH: 'tsconfig.json' },
  },
)
process.exit(status ?? 1)
