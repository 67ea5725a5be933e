import { spawnSync } from 'node:child_process'
import { root } from './parts/folders.mjs'

/**
 * Asks the registry what is known against the packages that the application runs with, and refuses what is grave. Where no
 * registry answers, nothing is known and nothing is refused.
 */

const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], { cwd: root, encoding: 'utf8' })
const report = (() => {
  try {
    return JSON.parse(stdout)
  } catch {
    return {}
  }
})()

if (!report.vulnerabilities) {
  console.log('Not asked: no registry answers.')
  process.exit(0)
}
const grave = Object.values(report.vulnerabilities).filter(({ severity }) =>
  ['high', 'critical'].includes(severity),
)
for (const { name, severity, range, fixAvailable } of grave)
  console.log(`${name} ${range}: ${severity}${fixAvailable ? '; npm audit fix mends it' : ''}`)
console.log(`${grave.length} grave of ${Object.keys(report.vulnerabilities).length} known.`)
process.exit(grave.length === 0 ? 0 : 1)
