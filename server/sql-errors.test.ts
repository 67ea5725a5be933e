import { codeOf, DatabaseError, kindOfCode } from './sql-errors'

test('a driver error goes by its code, a statement stopped by its number', () => {
  expect(codeOf({ code: 'ER_DUP_ENTRY', errno: 1062 })).toBe('ER_DUP_ENTRY')
  expect(codeOf({ code: 'ER_UNKNOWN', errno: 1969 })).toBe('ER_STATEMENT_TIMEOUT')
  expect(codeOf({ code: 'ER_UNKNOWN', errno: 1021 })).toBe('ER_DISK_FULL')
})

test('one who comes after the connection was lost may try again, though the driver gives no code', () => {
  const late = Object.assign(new Error('in closed state'), { fatal: true })
  expect(kindOfCode(codeOf(late))).toBe('again')
  expect(kindOfCode(codeOf(new Error('anything')))).toBe('broken')
})

test.each([null, undefined, 'text', 7, {}, { code: 7 }])('%p has no code', (error) => {
  expect(codeOf(error)).toBe('unknown')
})

test.each([
  ['ER_LOCK_DEADLOCK', 'again'],
  ['PROTOCOL_CONNECTION_LOST', 'again'],
  ['ECONNREFUSED', 'away'],
  ['ER_DISK_FULL', 'away'],
  ['ER_DATA_TOO_LONG', 'refused'],
  ['ER_PARSE_ERROR', 'broken'],
])('%s is %s', (code, kind) => {
  expect(new DatabaseError('take', code, undefined).kind).toBe(kind)
})
