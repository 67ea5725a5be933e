import mysql, {
  type Pool,
  type PoolConnection,
  type ResultSetHeader,
  type RowDataPacket,
} from 'mysql2/promise'
import { log } from './log'

type Value = string | number | boolean | null | Date | Buffer

/** A statement that failed: its name and the database's code, never the data. */
export class DatabaseError extends Error {
  readonly statement: string
  readonly code: string
  constructor(statement: string, code: string, cause: unknown) {
    super(`${statement}: ${code}`, { cause })
    this.name = 'DatabaseError'
    this.statement = statement
    this.code = code
  }
}

const holder = globalThis as { tallGablePool?: Pool }

function pool(): Pool {
  if (!holder.tallGablePool) {
    const url = process.env['DATABASE_URL']
    if (!url) throw new DatabaseError('connect', 'DATABASE_URL is not set', undefined)
    holder.tallGablePool = mysql.createPool({
      uri: url,
      connectionLimit: 10,
      charset: 'utf8mb4',
      timezone: 'Z',
      dateStrings: false,
      enableKeepAlive: true,
      connectTimeout: 4000,
    })
  }
  return holder.tallGablePool
}

/** Something statements run on: the pool, or the connection of a transaction. */
export type Runner = Pick<PoolConnection, 'execute'>

const lostConnection = new Set(['PROTOCOL_CONNECTION_LOST', 'ECONNRESET', 'EPIPE', 'ER_SERVER_SHUTDOWN'])

const codeOf = (error: unknown) =>
  typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : 'unknown'

async function execute<T extends RowDataPacket[] | ResultSetHeader>(
  runner: Runner | undefined,
  name: string,
  sql: string,
  values: readonly Value[],
): Promise<T> {
  const attempt = async () => (await (runner ?? pool()).execute<T>(sql, [...values]))[0]
  try {
    return await attempt()
  } catch (error) {
    // A pooled connection may have died while it lay idle: one more try, on a new one, outside transactions only.
    if (!runner && lostConnection.has(codeOf(error)))
      return attempt().catch((again: unknown) => {
        throw new DatabaseError(name, codeOf(again), again)
      })
    throw new DatabaseError(name, codeOf(error), error)
  }
}

export async function many(
  name: string,
  sql: string,
  values: readonly Value[] = [],
  runner?: Runner,
): Promise<RowDataPacket[]> {
  return execute<RowDataPacket[]>(runner, name, sql, values)
}

export async function maybeOne(
  name: string,
  sql: string,
  values: readonly Value[] = [],
  runner?: Runner,
): Promise<RowDataPacket | undefined> {
  const rows = await many(name, sql, values, runner)
  if (rows.length > 1)
    throw new DatabaseError(name, `expected at most one row, got ${rows.length}`, undefined)
  return rows[0]
}

/** Runs a statement that changes rows; returns how many it met. */
export async function run(
  name: string,
  sql: string,
  values: readonly Value[] = [],
  runner?: Runner,
): Promise<number> {
  return (await execute<ResultSetHeader>(runner, name, sql, values)).affectedRows
}

/** Everything in `work` or nothing. Deadlocks are tried again twice. */
export async function transaction<T>(name: string, work: (runner: Runner) => Promise<T>): Promise<T> {
  for (let attempt = 0; ; attempt++) {
    const connection = await pool()
      .getConnection()
      .catch((error: unknown) => {
        throw new DatabaseError(name, codeOf(error), error)
      })
    try {
      await connection.beginTransaction()
      const result = await work(connection)
      await connection.commit()
      return result
    } catch (error) {
      await connection
        .rollback()
        .catch((failed: unknown) => log.warn({ statement: name, code: codeOf(failed) }, 'rollback failed'))
      const deadlock = error instanceof DatabaseError && error.code === 'ER_LOCK_DEADLOCK'
      if (!deadlock || attempt >= 2) throw error
    } finally {
      connection.release()
    }
  }
}

export async function closeDatabase(): Promise<void> {
  await holder.tallGablePool?.end()
  delete holder.tallGablePool
}
