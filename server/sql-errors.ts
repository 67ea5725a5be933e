/**
 * What a failed statement means for whoever asked:
 * - `again`: nothing is wrong with it, and it may go well at once (a deadlock, a lost connection);
 * - `away`: the database cannot do it now (not there, frozen, read-only, no room);
 * - `refused`: the database will never take these values;
 * - `broken`: anything else, a mistake of ours.
 */
export type ErrorKind = 'again' | 'away' | 'refused' | 'broken'

const again = [
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_CHECKREAD',
  'ER_QUERY_INTERRUPTED',
  'ER_CONNECTION_KILLED',
  'ER_SERVER_SHUTDOWN',
  'ER_ERROR_DURING_COMMIT',
  'ER_ERROR_DURING_ROLLBACK',
  'ER_UNKNOWN_COM_ERROR',
  'ER_CON_COUNT_ERROR',
  'PROTOCOL_CONNECTION_LOST',
  'ECONNRESET',
  'EPIPE',
] as const

const away = [
  'ECONNREFUSED',
  'ETIMEDOUT',
  'EHOSTUNREACH',
  'ENOTFOUND',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'ER_STATEMENT_TIMEOUT',
  'ER_OPTION_PREVENTS_STATEMENT',
  'ER_CANT_EXECUTE_IN_READ_ONLY_TRANSACTION',
  'ER_READ_ONLY_MODE',
  'ER_DISK_FULL',
  'ER_RECORD_FILE_FULL',
  'ER_OUT_OF_RESOURCES',
  'ER_ACCESS_DENIED_ERROR',
  'ER_TABLESPACE_MISSING',
  'ER_CANT_CREATE_FILE',
  'ER_ERROR_ON_WRITE',
  'ER_TOO_MANY_USER_CONNECTIONS',
  'ER_HOST_IS_BLOCKED',
  'POOL_TIMEOUT',
  'POOL_ENQUEUELIMIT',
] as const

const refused = [
  'ER_DATA_TOO_LONG',
  'ER_DUP_ENTRY',
  'ER_NO_REFERENCED_ROW_2',
  'ER_ROW_IS_REFERENCED_2',
  'ER_CONSTRAINT_FAILED',
  'ER_TRUNCATED_WRONG_VALUE',
  'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD',
  'ER_WARN_DATA_OUT_OF_RANGE',
  'ER_INVALID_CHARACTER_STRING',
  'ER_NET_PACKET_TOO_LARGE',
  'ER_BAD_NULL_ERROR',
] as const

/** Statements that were stopped for running too long have no name in the driver. */
const numbers: Readonly<Record<number, string>> = { 1969: 'ER_STATEMENT_TIMEOUT', 1021: 'ER_DISK_FULL' }

const kinds = new Map<string, ErrorKind>([
  ...again.map((code) => [code, 'again'] as const),
  ...away.map((code) => [code, 'away'] as const),
  ...refused.map((code) => [code, 'refused'] as const),
])

/** The one place that decides what a database's answer means. */
export const kindOfCode = (code: string): ErrorKind => kinds.get(code) ?? 'broken'

/** The driver's name of what went wrong. One who comes after a connection was lost is told "fatal" and no name. */
export function codeOf(error: unknown): string {
  if (typeof error !== 'object' || error === null) return 'unknown'
  const { errno, code, fatal } = error as { errno?: unknown; code?: unknown; fatal?: unknown }
  const numbered = typeof errno === 'number' ? numbers[errno] : undefined
  if (numbered !== undefined) return numbered
  if (typeof code === 'string') return code
  return fatal === true ? 'PROTOCOL_CONNECTION_LOST' : 'unknown'
}

/** A statement that failed: its name and the database's code, never the data. */
export class DatabaseError extends Error {
  readonly statement: string
  readonly code: string
  readonly kind: ErrorKind

  constructor(statement: string, code: string, cause: unknown) {
    super(`${statement}: ${code}`, { cause })
    this.name = 'DatabaseError'
    this.statement = statement
    this.code = code
    this.kind = kindOfCode(code)
  }
}
