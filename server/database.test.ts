import { many, maybeOne, run, transaction, type Runner } from './database'
import { DatabaseError } from './sql-errors'
import { openTestDatabase } from './testing'

const close = await openTestDatabase()
afterAll(close)
beforeAll(async () => {
  await run('make', 'CREATE TABLE jar (id INT NOT NULL PRIMARY KEY, beans INT NOT NULL) ENGINE=InnoDB')
})
beforeEach(async () => {
  await run('empty', 'DELETE FROM jar')
  await run('fill', 'INSERT INTO jar VALUES (1, 10), (2, 10)')
})
const beans = async () =>
  (await many('beans', 'SELECT beans FROM jar ORDER BY id')).map((row) => Number(row['beans']))
const take = (runner: Runner, id: number, count: number) =>
  run('take', 'UPDATE jar SET beans = beans - ? WHERE id = ?', [count, id], runner)

test('values are parameters, whatever they hold', async () => {
  const evil = "1' OR '1'='1"
  expect(await maybeOne('evil', 'SELECT beans FROM jar WHERE id = ?', [evil.slice(1)])).toBeUndefined()
  expect(await maybeOne('text', 'SELECT ? AS said', [evil])).toMatchObject({ said: evil })
})

test('a transaction is done whole or not at all', async () => {
  const broken = transaction('half', async (runner) => {
    await take(runner, 1, 3)
    throw new Error('thought better of it')
  })
  await expect(broken).rejects.toThrow('thought better of it')
  expect(await beans()).toEqual([10, 10])
  await transaction('whole', async (runner) => {
    await take(runner, 1, 3)
    await take(runner, 2, 4)
  })
  expect(await beans()).toEqual([7, 6])
})

test('two that lock each other out both get through, each exactly once', async () => {
  let attempts = 0
  let waiting: (() => void)[] = []
  /** Both first hold one jar, then reach for the other's. */
  const together = () =>
    new Promise<void>((go) => {
      waiting.push(go)
      if (waiting.length === 2) waiting.splice(0).forEach((next) => next())
    })
  const swap = (first: number, second: number) =>
    transaction('swap', async (runner) => {
      attempts++
      await take(runner, first, 1)
      if (attempts <= 2) await together()
      await take(runner, second, 1)
    })
  await Promise.all([swap(1, 2), swap(2, 1)])
  expect(await beans()).toEqual([8, 8])
  expect(attempts).toBe(3)
  waiting = []
})

test('a deadlock that comes again and again is given up in the end', async () => {
  let attempts = 0
  const stuck = transaction('stuck', async () => {
    attempts++
    throw new DatabaseError('take', 'ER_LOCK_DEADLOCK', undefined)
  })
  await expect(stuck).rejects.toMatchObject({ code: 'ER_LOCK_DEADLOCK' })
  expect(attempts).toBeGreaterThan(3)
}, 20_000)

test('what goes wrong tells the statement and the code, never the data', async () => {
  const twice = run('put', 'INSERT INTO jar VALUES (?, ?)', [1, 4711])
  await expect(twice).rejects.toMatchObject({ name: 'DatabaseError', statement: 'put', code: 'ER_DUP_ENTRY' })
  await twice.catch((error: unknown) => expect(String(error)).not.toContain('4711'))
  await expect(maybeOne('both', 'SELECT id FROM jar')).rejects.toThrow(/at most one row/)
  // The connection is as good as before.
  expect(await beans()).toEqual([10, 10])
})

test('a database that hangs is given up after a few seconds, and is as good as before when it goes on', async () => {
  close.database.freeze()
  const begin = Date.now()
  const failed = await Promise.all(
    Array.from({ length: 14 }, () =>
      beans().then(
        () => 'done',
        (error: unknown) => (error instanceof DatabaseError ? error.kind : 'else'),
      ),
    ),
  )
  expect(Date.now() - begin).toBeLessThan(20_000)
  expect(new Set(failed)).toEqual(new Set(['away']))
  close.database.thaw()
  expect(await beans()).toEqual([10, 10])
}, 60_000)

test('a database that takes no changes says so, and the whole transaction is as if it had not been', async () => {
  close.database.setReadOnly(true)
  await expect(transaction('take', (runner) => take(runner, 1, 1))).rejects.toMatchObject({ kind: 'away' })
  expect(await beans()).toEqual([10, 10])
  close.database.setReadOnly(false)
  await transaction('take', (runner) => take(runner, 1, 1))
  expect(await beans()).toEqual([9, 10])
})

test('a connection that is killed in the middle is no harm: the transaction runs again, and is done once', async () => {
  let attempts = 0
  await transaction('take', async (runner) => {
    await take(runner, 1, 1)
    if (++attempts > 1) return
    const [own] = await many('own', 'SELECT CONNECTION_ID() AS id', [], runner)
    await run('kill', 'KILL ?', [Number(own?.['id'])]).catch(() => undefined)
    await take(runner, 2, 1)
  })
  expect(attempts).toBe(2)
  expect(await beans()).toEqual([9, 10])
})

test('one killed before its transaction is rolled back tells what went wrong first, and leaves no dead connection', async () => {
  const failed = transaction('spill', async (runner) => {
    await take(runner, 1, 1)
    const [own] = await many('own', 'SELECT CONNECTION_ID() AS id', [], runner)
    await run('kill', 'KILL ?', [Number(own?.['id'])]).catch(() => undefined)
    throw new Error('spilt')
  })
  await expect(failed).rejects.toThrow('spilt')
  for (let i = 0; i < 12; i++) expect(await beans()).toEqual([10, 10])
})
