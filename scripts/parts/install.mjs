import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { delimiter, join } from 'node:path'
import { runShown, succeeds } from './commands.mjs'
import { inRoot } from './folders.mjs'

const debian = [
  { command: 'mariadbd', package: 'mariadb-server' },
  { command: 'chromium', package: 'chromium' },
  { command: 'pdftoppm', package: 'poppler-utils' },
]

const isInstalled = (command) =>
  process.env.PATH.split(delimiter).some((folder) => existsSync(join(folder, command)))

const digestOf = (file) => createHash('sha256').update(readFileSync(file)).digest('hex')

/** What a cluster needs beside them. */
export const clusterPackages = [
  { command: 'haproxy', package: 'haproxy' },
  { command: 'rsync', package: 'rsync' },
]

/** Installs what is missing of Debian's packages (as root), else says exactly what to install. */
export function installDebianPackages(more = []) {
  // Debian keeps what servers are started with outside an ordinary user's path.
  process.env.PATH = [process.env.PATH, '/usr/sbin'].filter(Boolean).join(delimiter)
  const missing = [...debian, ...more]
    .filter(({ command }) => !isInstalled(command))
    .map((entry) => entry.package)
  if (missing.length === 0) return
  const line = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (process.getuid?.() !== 0) {
    console.error(
      `Tall Gable needs ${missing.join(', ')}. Install with:\n\n  sudo ${line}\n\nand start again.`,
    )
    process.exit(1)
  }
  console.log(`Installing ${missing.join(', ')} …`)
  const env = { DEBIAN_FRONTEND: 'noninteractive' }
  runShown('apt-get', ['update', '-qq'], env)
  runShown('apt-get', ['-qq', ...line.split(' ').slice(1)], env)
}

/** Installs the packages of the lock file when it has changed since. */
export function installNodePackages() {
  const stamp = inRoot('node_modules', '.tall-gable-installed')
  const lock = digestOf(inRoot('package-lock.json'))
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  console.log('Installing the packages of the lock file …')
  // npm 11 refuses `ci` for a lock file made where other systems' binaries were left out; `install` takes it unchanged.
  if (!succeeds('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund']))
    runShown('npm', [
      'install',
      '--no-save',
      '--ignore-scripts',
      '--no-audit',
      '--no-fund',
      '--loglevel',
      'error',
    ])
  mkdirSync(inRoot('node_modules'), { recursive: true })
  writeFileSync(stamp, lock)
}
