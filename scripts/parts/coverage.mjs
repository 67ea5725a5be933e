import { relative } from 'node:path'
import { root } from './folders.mjs'

/** The folder whose files are counted together: the core's parts each by itself. */
const folderOf = (file) => {
  const [first, second] = relative(root, file).split('/')
  return first === 'core' ? `core/${second}` : first
}

/** Prints what share of each folder's lines the unit tests ran. */
export function printCoverage(summary) {
  if (!summary) return
  const folders = new Map()
  for (const [file, { lines }] of Object.entries(summary)) {
    const name = file === 'total' ? 'all' : folderOf(file)
    const sum = folders.get(name) ?? { covered: 0, total: 0 }
    folders.set(name, { covered: sum.covered + lines.covered, total: sum.total + lines.total })
  }
  console.log('\nLines run by unit tests')
  for (const [name, { covered, total }] of [...folders].sort(([a], [b]) => a.localeCompare(b)))
    console.log(`  ${name.padEnd(18)} ${((covered / Math.max(1, total)) * 100).toFixed(0).padStart(3)} %`)
}
