import { setTimeout as pause } from 'node:timers/promises'
import mysql, {
  type Pool,
  type PoolConnection,
  type ResultSetHeader,
  type RowDataPacket,
} from 'mysql2/promise'
import { log } from './log'
import { statementSeconds } from './metrics'
import { codeOf, DatabaseError } from './sql-errors'

type Value = string | number | boolean | null | Date | Buffer

const holder = globalThis as { tallGablePool?: Pool }

/** Longest that a statement may take, at the database and, should that be frozen, here. */
const statementMs = 4000
const frozenMs = 5000
const frozenCode = 'PROTOCOL_SEQUENCE_TIMEOUT'
/** Longest wait for a connection, and for what another transaction holds. */
const connectionMs = 4000
const lockSeconds = 2
/** How long a transaction is tried again, and the pauses between. */
const retryMs = 3000
const longestPauseMs = 250
/** A statement that took longer is logged. */
const slowMs = 300

function pool(): Pool {
  if (!holder.tallGablePool) {
    const url = process.env['DATABASE_URL']
    if (!url) throw new DatabaseError('connect', 'DATABASE_URL is not set', undefined)
    holder.tallGablePool = mysql.createPool({
      uri: url,
      connectionLimit: 10,
      queueLimit: 400,
      charset: 'utf8mb4',
      timezone: 'Z',
      dateStrings: false,
      enableKeepAlive: true,
      connectTimeout: connectionMs,
    })
    holder.tallGablePool.pool.on('connection', (connection) => {
      connection.query(
        `SET SESSION max_statement_time = ${statementMs / 1000}, innodb_lock_wait_timeout = ${lockSeconds}, lock_wait_timeout = ${lockSeconds}`,
      )
    })
  }
  return holder.tallGablePool
}

/** Something statements run on: the connection of a transaction. */
export type Runner = Pick<PoolConnection, 'execute'>

/** Waits for the database, but no longer than `ms`: one that hangs gives no answer at all. */
async function within<T>(ms: number, name: string, code: string, work: Promise<T>): Promise<T> {
  const timer = new AbortController()
  const late = pause(ms, undefined, { signal: timer.signal }).then(() => {
    throw new DatabaseError(name, code, undefined)
  })
  try {
    return await Promise.race([work, late])
  } catch (error) {
    throw error instanceof DatabaseError ? error : new DatabaseError(name, codeOf(error), error)
  } finally {
    timer.abort()
    // Whichever comes too late is nobody's.
    work.catch(() => undefined)
    late.catch(() => undefined)
  }
}

/** A connection, or a word that none is to be had; one that comes too late goes back at once. */
async function connect(name: string): Promise<PoolConnection> {
  const coming = pool()
    .getConnection()
    .catch((error: unknown) => {
      const full = error instanceof Error && error.message === 'Queue limit reached.'
      throw new DatabaseError(name, full ? 'POOL_ENQUEUELIMIT' : codeOf(error), error)
    })
  try {
    return await within(connectionMs, name, 'POOL_TIMEOUT', coming)
  } catch (error) {
    coming.then(
      (connection) => connection.release(),
      () => undefined,
    )
    throw error
  }
}

async function executeOn<T extends RowDataPacket[] | ResultSetHeader>(
  runner: Runner,
  name: string,
  sql: string,
  values: readonly Value[],
): Promise<T> {
  const begin = performance.now()
  try {
    const [result] = await within(frozenMs, name, frozenCode, runner.execute<T>(sql, [...values]))
    return result
  } finally {
    const ms = performance.now() - begin
    statementSeconds.observe({ statement: name }, ms / 1000)
    if (ms > slowMs) log.warn({ statement: name, ms: Math.round(ms) }, 'slow statement')
  }
}

/** Whether a connection can't be used again after an error: it is lost, or still busy with what was given up. */
const isSpent = (error: unknown): boolean =>
  error instanceof DatabaseError &&
  (error.kind === 'away' || error.code.startsWith('PROTOCOL') || /^E[A-Z]+$/.test(error.code))

/** Work on a connection of its own. */
async function onConnection<T>(name: string, work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  const connection = await connect(name)
  try {
    const result = await work(connection)
    connection.release()
    return result
  } catch (error) {
    if (isSpent(error)) connection.destroy()
    else connection.release()
    throw error
  }
}

async function execute<T extends RowDataPacket[] | ResultSetHeader>(
  runner: Runner | undefined,
  name: string,
  sql: string,
  values: readonly Value[],
): Promise<T> {
  if (runner) return executeOn<T>(runner, name, sql, values)
  const attempt = () => onConnection(name, (connection) => executeOn<T>(connection, name, sql, values))
  return attempt().catch((error: unknown) => {
    // A pooled connection may have died while it lay idle: one more try, on a new one.
    if (error instanceof DatabaseError && error.kind === 'again') return attempt()
    throw error
  })
}

export async function many(
  name: string,
  sql: string,
  values: readonly Value[] = [],
  runner?: Runner,
): Promise<RowDataPacket[]> {
  return execute<RowDataPacket[]>(runner, name, sql, values)
}

/** Whether the database answers at all. */
export async function answers(): Promise<boolean> {
  try {
    await many('alive', 'SELECT 1')
    return true
  } catch (error) {
    if (error instanceof DatabaseError && (error.kind === 'again' || error.kind === 'away')) return false
    throw error
  }
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

/** Runs a statement that changes rows and may be run twice; returns how many it met. */
export async function run(
  name: string,
  sql: string,
  values: readonly Value[] = [],
  runner?: Runner,
): Promise<number> {
  return (await execute<ResultSetHeader>(runner, name, sql, values)).affectedRows
}

/**
 * Everything in `work` or nothing. Deadlocks, lock waits and lost connections are tried again for a while, those at
 * begin and commit too: after a commit whose answer was lost `work` runs again, and must be such that this does no harm.
 */
export async function transaction<T>(name: string, work: (runner: Runner) => Promise<T>): Promise<T> {
  const until = performance.now() + retryMs
  for (let attempt = 0; ; attempt++) {
    try {
      return await onConnection(name, (connection) => once(name, connection, work))
    } catch (error) {
      const again = error instanceof DatabaseError && error.kind === 'again'
      if (!again || performance.now() > until) throw error
      await pause(Math.random() * Math.min(longestPauseMs, 20 * 2 ** attempt))
    }
  }
}

async function once<T>(
  name: string,
  connection: PoolConnection,
  work: (runner: Runner) => Promise<T>,
): Promise<T> {
  const say = (statement: string) =>
    within(frozenMs, `${statement.toLowerCase()} of ${name}`, frozenCode, connection.query(statement))
  await say('START TRANSACTION')
  try {
    const result = await work(connection)
    await say('COMMIT')
    return result
  } catch (error) {
    // What cannot be rolled back here is rolled back by the database as soon as the connection ends.
    if (!isSpent(error)) await say('ROLLBACK').catch(() => connection.destroy())
    throw error
  }
}

export async function closeDatabase(): Promise<void> {
  await holder.tallGablePool?.end()
  delete holder.tallGablePool
}
