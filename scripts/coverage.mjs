import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { printCoverage } from './parts/coverage.mjs'
import { inRoot, root } from './parts/folders.mjs'

/** The unit tests, or those that are named, with what share of each folder they run. */
const { status } = spawnSync(
  inRoot('node_modules', '.bin', 'jest'),
  ['--coverage', ...process.argv.slice(2)],
  {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
  },
)
const summary = inRoot('test-results', 'coverage', 'coverage-summary.json')
if (existsSync(summary)) printCoverage(JSON.parse(readFileSync(summary, 'utf8')))
process.exit(status ?? 1)
