import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import mysql from 'mysql2/promise'

/** The names of the migrations that this application comes with, in their order. */
export const migrationFiles = (
  folder = join(/* turbopackIgnore: true */ process.cwd(), 'server', 'migrations'),
) =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort()

/**
 * Brings the database up to date: each file of `server/migrations` once, in the order of its name. A file that was
 * changed after it ran is refused. A named lock keeps two processes from doing it at once.
 */
export async function migrate(url: string, folder: string): Promise<readonly string[]> {
  const connection = await mysql.createConnection({ uri: url, multipleStatements: true, charset: 'utf8mb4' })
  const done: string[] = []
  try {
    const [[lock]] = await connection.query<mysql.RowDataPacket[]>(
      "SELECT GET_LOCK('tall-gable-migrate', 30) AS got",
    )
    if (lock?.['got'] !== 1)
      throw new Error('Another process is migrating the database. Try again in a minute.')
    await connection.query(
      'CREATE TABLE IF NOT EXISTS migration (name VARCHAR(100) NOT NULL PRIMARY KEY, digest CHAR(64) NOT NULL, ran_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3))',
    )
    const [rows] = await connection.query<mysql.RowDataPacket[]>('SELECT name, digest FROM migration')
    const ran = new Map(rows.map((row) => [String(row['name']), String(row['digest'])]))
    for (const name of migrationFiles(folder)) {
      const sql = readFileSync(join(folder, name), 'utf8')
      const digest = createHash('sha256').update(sql).digest('hex')
      const before = ran.get(name)
      if (before !== undefined) {
        if (before !== digest)
          throw new Error(`Migration ${name} was changed after it ran. Add a new file instead.`)
        continue
      }
      await connection.query(sql)
      await connection.execute('INSERT INTO migration (name, digest) VALUES (?, ?)', [name, digest])
      done.push(name)
    }
    await connection.query("SELECT RELEASE_LOCK('tall-gable-migrate')")
  } finally {
    await connection.end()
  }
  return done
}
