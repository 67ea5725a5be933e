import { NextRequest } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { failure, readBody, readBytes } from './respond'
import { DatabaseError } from './sql-errors'

const request = (body: string | ReadableStream<Uint8Array>, headers: Record<string, string> = {}) =>
  new NextRequest('http://127.0.0.1/api/x', {
    method: 'POST',
    body,
    headers,
    ...(typeof body === 'string' ? {} : { duplex: 'half' }),
  })

/** A body that never ends; counts what was taken of it. */
function endless(): { stream: ReadableStream<Uint8Array>; taken: () => number; cancelled: () => boolean } {
  let [taken, cancelled] = [0, false]
  const stream = new ReadableStream<Uint8Array>({
    pull(controller) {
      taken += 1000
      controller.enqueue(new Uint8Array(1000).fill(65))
    },
    cancel() {
      cancelled = true
    },
  })
  return { stream, taken: () => taken, cancelled: () => cancelled }
}

const codeOf = async (work: Promise<unknown>) => {
  try {
    await work
  } catch (error) {
    if (error instanceof Fault) return `${error.code} ${error.path}`.trim()
    throw error
  }
  return 'nothing'
}

test('a body is read up to its limit; one that never ends is let go of soon after', async () => {
  expect(Buffer.from(await readBytes(request('abc'), 3)).toString()).toBe('abc')
  expect(await codeOf(readBytes(request('abcd'), 3))).toBe('too-large')
  expect(await codeOf(readBytes(request('ab', { 'content-length': '99' }), 10))).toBe('too-large')
  const body = endless()
  expect(await codeOf(readBytes(request(body.stream), 50_000))).toBe('too-large')
  expect(body.taken()).toBeLessThan(60_000)
  expect(body.cancelled()).toBe(true)
})

test('JSON of another shape is refused with the path of the fault', async () => {
  const schema = z.strictObject({ edits: z.array(z.strictObject({ id: z.string() })) })
  expect(await readBody(request('{"edits":[{"id":"a"}]}'), schema)).toEqual({ edits: [{ id: 'a' }] })
  expect(await codeOf(readBody(request('{"edits":[{"id":7}]}'), schema))).toBe('bad-body edits.0.id')
  expect(await codeOf(readBody(request('{"edits":[],"more":1}'), schema))).toBe('bad-body')
  expect(await codeOf(readBody(request('{"edits":[{"id":"\\ud800"}]}'), schema))).toBe(
    'broken-text edits.0.id',
  )
  expect(await codeOf(readBody(request('{"edits":[],"\\udfff":1}'), schema))).toBe('broken-text')
  expect(await codeOf(readBody(request('{"edits":'), schema))).toBe('not-json')
  expect(await codeOf(readBody(request(''), schema))).toBe('not-json')
})

test('faults keep their words and get their status; anything else shows nothing of its inside', async () => {
  const answer = async (error: unknown) => {
    const response = failure(error)
    return [response.status, (await response.json()) as { error: { code: string; message: string } }] as const
  }
  const status = async (code: string) =>
    (await answer(new Fault(code, { reason: 'body', limit: 1, at: 'none', rule: 'x' })))[0]
  expect(
    await Promise.all(['no-such-job', 'not-signed-in', 'wrong-origin', 'too-large', 'bad-thing'].map(status)),
  ).toEqual([404, 401, 403, 413, 400])
  const [away, said] = await answer(
    new DatabaseError('insert job', 'ECONNREFUSED', new Error('secret table')),
  )
  expect(away).toBe(503)
  expect(JSON.stringify(said)).not.toContain('secret')
  expect((await answer(new DatabaseError('insert job', 'ER_DATA_TOO_LONG', undefined)))[0]).toBe(422)
  expect((await answer(new DatabaseError('insert job', 'ER_PARSE_ERROR', undefined)))[0]).toBe(500)
  expect(failure(new Fault('server-busy')).headers.get('Retry-After')).toBe('2')
  const [broken, told] = await answer(new Error('password=hunter2'))
  expect(broken).toBe(500)
  expect(told.error.code).toBe('unexpected')
  expect(JSON.stringify(told)).not.toContain('hunter2')
})
