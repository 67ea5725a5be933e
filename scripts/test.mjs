import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
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

function count(name, ok) {
  if (ok) passed++
  else {
    failed++
    failedSteps.push(name)
  }
}

/** A step that passes or fails as a whole. */
function step(name, command, args) {
  count(name, run(name, command, args))
}

/** Such steps one after the other, beside others: what each prints stands together, when it has ended. */
async function lane(...steps) {
  for (const [name, command, ...args] of steps) {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
    let printed = ''
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (piece) => (printed += piece))
    child.once('error', (error) => (printed += error.message))
    const ok = await new Promise((done) => child.once('close', (status) => done(status === 0)))
    console.log(`\n── ${name}\n${printed.trimEnd()}`)
    count(name, ok)
  }
}

const bin = (name) => inRoot('node_modules', '.bin', name)
const report = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null)

// Next writes the route types that the type check and the lint read.
step('Route types', bin('next'), ['typegen'])
await Promise.all([
  lane(['Lint', bin('eslint'), '.', '--max-warnings', '0']),
  lane(
    ['Format', bin('prettier'), '--check', '--log-level', 'warn', '.'],
    ['Types', bin('tsc'), '--noEmit'],
    ['Import rules', bin('depcruise'), '--config', '.dependency-cruiser.cjs', ...sourceFolders],
    ['Dead code', bin('knip')],
    ['Known faults of packages', 'node', 'scripts/audit.mjs'],
  ),
])

const unitFile = inRoot('test-results', 'unit.json')
const unitOk = run('Unit tests', bin('jest'), ['--json', `--outputFile=${unitFile}`], {
  NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
})
const unit = report(unitFile)
passed += unit?.numPassedTests ?? 0
failed += unit ? unit.numFailedTests + unit.numRuntimeErrorTestSuites : 1
if (!unitOk && unit && unit.numFailedTests + unit.numRuntimeErrorTestSuites === 0) failed++

const browserOk = run('Build and browser tests', 'node', ['scripts/browser-tests.mjs'])
const browser = report(inRoot('test-results', 'browser.json'))
passed += browser?.stats.expected ?? 0
failed += browser ? browser.stats.unexpected + browser.stats.flaky : 1
if (!browserOk && browser && browser.stats.unexpected + browser.stats.flaky === 0) failed++

step('Short ordeal', 'node', ['scripts/ordeal.mjs', '--short', 'designers', 'bad'])

if (failedSteps.length > 0) console.log(`\nFailed as a whole: ${failedSteps.join(', ')}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
