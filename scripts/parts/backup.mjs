import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { once } from 'node:events'
import { createReadStream, createWriteStream, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { dirname } from 'node:path'
import { Transform, Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import mysql from 'mysql2/promise'
import { inRoot } from './folders.mjs'

/**
 * A backup is one gzipped file: a line that says what it is, the dump of the database as statements, and a line with the
 * SHA-256 of the dump. The dump is of one moment, however much is saved meanwhile, and the same for the same content: so a
 * restored database is dumped again and compared.
 */
const headMark = '-- tall-gable-backup '
const endMark = '\n-- tall-gable-end '
const endLength = endMark.length + 64 + 1
const version = 1

/** What is wrong with a backup or its place, in a sentence for whoever types the command. */
export class BackupFault extends Error {}

const dumpOptions = [
  '--single-transaction',
  '--quick',
  '--order-by-primary',
  '--hex-blob',
  '--skip-comments',
  '--skip-dump-date',
  '--skip-add-locks',
  '--skip-lock-tables',
  '--no-tablespaces',
]

/** Of both client programs: as much of one row as the server itself may hold. */
const clientOptions = ['--no-defaults', '--max-allowed-packet=1G', '--default-character-set=utf8mb4']

/** How a client program reaches the database of an address; the password goes by its environment. */
function client(program, url, options) {
  const { hostname, port, username, password, pathname } = new URL(url)
  const args = [
    ...clientOptions,
    ...options,
    `--host=${hostname}`,
    `--port=${port || 3306}`,
    `--user=${decodeURIComponent(username)}`,
    '--protocol=tcp',
    decodeURIComponent(pathname.slice(1)),
  ]
  const child = spawn(program, args, {
    stdio: 'pipe',
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
  })
  let said = ''
  child.stderr.setEncoding('utf8').on('data', (text) => (said = (said + text).slice(-2000)))
  // Who ends early is told of by its status; what was still to be written is nobody's.
  child.stdin.on('error', () => undefined)
  const ended = Promise.race([
    once(child, 'close').then(([code]) => {
      if (code !== 0) throw new BackupFault(`${program} failed: ${reasonIn(said) || `it ended with ${code}`}`)
    }),
    once(child, 'error').then(([error]) => {
      throw new BackupFault(`${program} can’t be started: ${error.message}`)
    }),
  ])
  ended.catch(() => undefined)
  return { child, ended }
}

/** What a client program said of what went wrong, without the statement that did. */
const reasonIn = (said) => said.match(/^(ERROR|.*[Ee]rror:).*$/gm)?.at(-1) ?? said.trim().slice(-300)

/** Passes on what comes through and knows its digest in the end. */
function digesting() {
  const hash = createHash('sha256')
  const stream = new Transform({
    transform(chunk, _encoding, done) {
      hash.update(chunk)
      done(null, chunk)
    },
  })
  return { stream, digest: () => hash.digest('hex') }
}

const nowhere = () => new Writable({ write: (_chunk, _encoding, done) => done() })

/** The digest of all that a database holds. */
export async function digestOfDatabase(url) {
  const { child, ended } = client('mariadb-dump', url, dumpOptions)
  const { stream, digest } = digesting()
  await pipeline(child.stdout, stream, nowhere())
  await ended
  return digest()
}

/** Names of the migrations that a database has been through; none where nothing is stored yet. */
export async function migrationsOf(url) {
  const connection = await mysql.createConnection({ uri: url })
  try {
    const [tables] = await connection.query("SHOW TABLES LIKE 'migration'")
    if (tables.length === 0) return []
    const [rows] = await connection.query('SELECT name FROM migration ORDER BY name')
    return rows.map(({ name }) => name)
  } finally {
    await connection.end()
  }
}

/**
 * Writes all that a database holds at this moment to a file, which is there as a whole or not at all.
 * @param extra what is kept beside it
 * @returns the digest
 */
export async function backUp(url, file, extra = {}) {
  const head = { version, takenAt: new Date().toISOString(), migrations: await migrationsOf(url), ...extra }
  const partial = `${file}.partial`
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  const { child, ended } = client('mariadb-dump', url, dumpOptions)
  const { stream, digest } = digesting()
  let sum = ''
  try {
    await pipeline(
      child.stdout,
      stream,
      async function* (dump) {
        yield `${headMark}${JSON.stringify(head)}\n`
        for await (const chunk of dump) yield chunk
        sum = digest()
        yield `${endMark}${sum}\n`
      },
      createGzip(),
      createWriteStream(partial, { mode: 0o600, flush: true }),
    )
    await ended
    renameSync(partial, file)
  } catch (error) {
    child.kill()
    rmSync(partial, { force: true })
    throw error
  }
  return sum
}

/** The dump in a backup, piece by piece; in the end its digest is held against what the file says. */
async function* dumpIn(file, onHead) {
  let begin = Buffer.alloc(0)
  let held = Buffer.alloc(0)
  let head = null
  const hash = createHash('sha256')
  const unzipped = createGunzip()
  const raw = createReadStream(file)
  raw.on('error', (error) => unzipped.destroy(error)).pipe(unzipped)
  for await (const chunk of unzipped) {
    let rest = chunk
    if (!head) {
      begin = Buffer.concat([begin, chunk])
      const line = begin.indexOf('\n')
      if (line < 0 && begin.length < 100_000) continue
      head = headIn(begin.subarray(0, line).toString('utf8'))
      onHead(head)
      rest = begin.subarray(line + 1)
    }
    const all = Buffer.concat([held, rest])
    const out = all.subarray(0, Math.max(0, all.length - endLength))
    held = all.subarray(out.length)
    hash.update(out)
    yield out
  }
  if (!head) throw new BackupFault('it is no backup of Tall Gable.')
  if (held.toString('latin1') !== `${endMark}${hash.digest('hex')}\n`)
    throw new BackupFault('it is damaged or breaks off: its content does not match its checksum.')
}

const reasons = {
  ENOENT: 'there is no such file.',
  EISDIR: 'it is a folder.',
  EACCES: 'it may not be read.',
  Z_DATA_ERROR: 'it is damaged, or no backup of Tall Gable.',
  Z_BUF_ERROR: 'it is damaged or breaks off.',
}

function headIn(line) {
  try {
    if (!line.startsWith(headMark)) throw new SyntaxError('no head')
    return JSON.parse(line.slice(headMark.length))
  } catch {
    throw new BackupFault('it is no backup of Tall Gable.')
  }
}

/** Names of the migrations that this application comes with. */
export const knownMigrations = () =>
  readdirSync(inRoot('server', 'migrations')).filter((name) => name.endsWith('.sql'))

/**
 * Reads a backup through and holds it against its checksum.
 * @param known names of the migrations that this application has
 * @returns what it says of itself, and the bytes of its longest statement
 * @throws BackupFault
 */
export async function checkBackup(file, known) {
  let found = null
  const lines = { longest: 0, open: 0 }
  try {
    await pipeline(
      dumpIn(file, (head) => (found = head)),
      new Writable({
        write(chunk, _encoding, done) {
          measure(chunk, lines)
          done()
        },
      }),
    )
  } catch (error) {
    if (error instanceof BackupFault) throw new BackupFault(`${file} can’t be restored: ${error.message}`)
    throw new BackupFault(`${file} can’t be restored: ${reasons[error.code] ?? error.message}`)
  }
  const unknown = (found.migrations ?? []).filter((name) => !known.includes(name))
  if (found.version !== version || unknown.length > 0)
    throw new BackupFault(`${file} was made by a newer version of Tall Gable. Update it first.`)
  return { ...found, longestStatement: lines.longest }
}

/** Each statement with rows is a line: how long the longest is. */
function measure(chunk, lines) {
  let from = 0
  for (let end = chunk.indexOf(10); end >= 0; end = chunk.indexOf(10, from)) {
    lines.longest = Math.max(lines.longest, lines.open + end - from)
    lines.open = 0
    from = end + 1
  }
  lines.open += chunk.length - from
  lines.longest = Math.max(lines.longest, lines.open)
}

/**
 * Asks a server whether it takes statements as long as those of a checked backup, before anything is touched.
 * @throws BackupFault
 */
export async function checkRoom(url, { longestStatement }) {
  const connection = await mysql.createConnection({ uri: url })
  try {
    const [[row]] = await connection.query('SELECT @@global.max_allowed_packet AS most')
    if (Number(row.most) < longestStatement + 1024)
      throw new BackupFault(
        `The database server takes statements of ${Math.floor(row.most / 1048576)} MB at most, and this backup has one of ${Math.ceil(longestStatement / 1048576)} MB. Set max_allowed_packet there to more, and try again.`,
      )
  } finally {
    await connection.end()
  }
}

/** How many jobs a database holds, in the bin too. */
export async function countJobs(url) {
  if ((await migrationsOf(url)).length === 0) return 0
  const connection = await mysql.createConnection({ uri: url })
  try {
    const [[row]] = await connection.query('SELECT COUNT(*) AS jobs FROM job')
    return Number(row.jobs)
  } finally {
    await connection.end()
  }
}

/** Takes all tables of a database away. */
export async function empty(url) {
  const connection = await mysql.createConnection({ uri: url })
  try {
    const [tables] = await connection.query('SHOW TABLES')
    await connection.query('SET FOREIGN_KEY_CHECKS = 0')
    for (const [name] of tables.map(Object.values)) await connection.query('DROP TABLE ??', [name])
  } finally {
    await connection.end()
  }
}

/**
 * Puts a checked backup in the place of what a database holds, and proves that it is the same: by the digest of
 * what it then holds.
 * @returns the digest
 * @throws BackupFault
 */
export async function restore(url, file) {
  await empty(url)
  const { child, ended } = client('mariadb', url, [])
  let sum = ''
  const hash = createHash('sha256')
  await Promise.all([
    pipeline(
      dumpIn(file, () => undefined),
      async function* (dump) {
        for await (const chunk of dump) {
          hash.update(chunk)
          yield chunk
        }
        sum = hash.digest('hex')
      },
      child.stdin,
    ),
    ended,
  ])
  if ((await digestOfDatabase(url)) !== sum)
    throw new BackupFault('What was restored is not what was backed up: their checksums differ.')
  return sum
}
