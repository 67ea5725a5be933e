import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { printCoverage } from './parts/coverage.mjs'
import { inRoot, root, sourceFolders } from './parts/folders.mjs'
import { installDebianPackages, installNodePackages } from './parts/install.mjs'

installDebianPackages()
installNodePackages()
rmSync(inRoot('test-results'), { recursive: true, force: true })
mkdirSync(inRoot('test-results'), { recursive: true })

let passed = 0
let failed = 0
const failedSteps = []

function run(name, command, args, env = {}) {
  console.log(`\n── ${name}`)
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  })
  return status === 0
}

/** A step that passes or fails as a whole. */
function step(name, command, args) {
  if (run(name, command, args)) passed++
  else {
    failed++
    failedSteps.push(name)
  }
}

const bin = (name) => inRoot('node_modules', '.bin', name)
const report = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null)

step('Lint', bin('eslint'), ['.', '--max-warnings', '0'])
step('Format', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
// Next writes the route types that the type check reads.
step('Route types', bin('next'), ['typegen'])
step('Types', bin('tsc'), ['--noEmit'])
step('Import rules', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...sourceFolders])
step('Dead code', bin('knip'), [])
step('Known faults of packages', 'node', ['scripts/audit.mjs'])

const unitFile = inRoot('test-results', 'unit.json')
const unitOk = run('Unit tests', bin('jest'), ['--coverage', '--json', `--outputFile=${unitFile}`], {
  NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
})
const unit = report(unitFile)
passed += unit?.numPassedTests ?? 0
failed += unit ? unit.numFailedTests + unit.numRuntimeErrorTestSuites : 1
if (!unitOk && unit && unit.numFailedTests + unit.numRuntimeErrorTestSuites === 0) failed++

printCoverage(report(inRoot('test-results', 'coverage', 'coverage-summary.json')))

const browserOk = run('Build and browser tests', 'node', ['scripts/browser-tests.mjs'])
const browser = report(inRoot('test-results', 'browser.json'))
passed += browser?.stats.expected ?? 0
failed += browser ? browser.stats.unexpected + browser.stats.flaky : 1
if (!browserOk && browser && browser.stats.unexpected + browser.stats.flaky === 0) failed++

step('Short ordeal', 'node', ['scripts/ordeal.mjs', '--short', 'designers', 'bad'])

if (failedSteps.length > 0) console.log(`\nFailed as a whole: ${failedSteps.join(', ')}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
