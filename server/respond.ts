import { NextResponse, type NextRequest } from 'next/server'
import { type z } from 'zod'
import { Fault } from '@/core/model/fault'
import { faultOf } from '@/core/model/rules'
import { plainEnglish } from '@/words/plain-english'
import { DatabaseError } from './database'
import { log } from './log'
import { designer } from './session'
import { type Designer } from './sql/people'

const statusOf: Readonly<Record<string, number>> = {
  'no-such-job': 404,
  'no-such-offer': 404,
  'no-such-weather': 404,
  'not-signed-in': 401,
  'wrong-origin': 403,
  'too-large': 413,
  'database-away': 503,
  'service-away': 503,
}

const answerOf = (fault: Fault, status: number) =>
  NextResponse.json({ error: { ...fault.toJSON(), message: plainEnglish.fault(fault) } }, { status })

/** A fault as the browser gets it; anything else is logged and told without its inside. */
export function failure(error: unknown): NextResponse {
  if (error instanceof Fault) return answerOf(error, statusOf[error.code] ?? 400)
  if (error instanceof DatabaseError) {
    log.error({ statement: error.statement, code: error.code }, 'database')
    return failure(new Fault('database-away'))
  }
  log.error(
    {
      error:
        error instanceof Error ? { name: error.name, message: error.message, stack: error.stack } : 'unknown',
    },
    'unexpected',
  )
  return answerOf(new Fault('unexpected'), 500)
}

/** Runs a route for whoever is signed in; requests that change something must come from our own pages. */
export async function asDesigner(
  request: NextRequest,
  work: (who: Designer) => Promise<Response>,
): Promise<Response> {
  try {
    if (request.method !== 'GET') checkOrigin(request)
    const who = await designer()
    if (!who) throw new Fault('not-signed-in')
    return await work(who)
  } catch (error) {
    return failure(error)
  }
}

function checkOrigin(request: NextRequest): void {
  const origin = request.headers.get('origin')
  // A page without an origin of its own sends "null".
  if (origin !== null && (!URL.canParse(origin) || new URL(origin).host !== request.headers.get('host')))
    throw new Fault('wrong-origin')
}

const largestBody = 4_000_000

/**
 * The body as JSON of the expected shape.
 * @throws Fault `too-large`, `not-json`, `bad-body` with the path of the fault.
 */
export async function readBody<T>(request: NextRequest, schema: z.ZodType<T>): Promise<T> {
  const value = await readJson(request)
  const parsed = schema.safeParse(value)
  if (!parsed.success) throw faultOf(parsed.error, 'bad-body')
  return parsed.data
}

/**
 * The body's bytes; reading stops where it grows over the limit.
 * @throws Fault `too-large`
 */
export async function readBytes(request: NextRequest, most: number): Promise<Uint8Array> {
  const tooLarge = () => new Fault('too-large', { reason: 'body', limit: { value: most, unit: 'bytes' } })
  if (Number(request.headers.get('content-length') ?? 0) > most) throw tooLarge()
  const parts: Uint8Array[] = []
  let length = 0
  const reader = request.body?.getReader()
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    length += part.value.length
    if (length > most) {
      await reader?.cancel()
      throw tooLarge()
    }
    parts.push(part.value)
  }
  return Buffer.concat(parts)
}

/** @throws Fault `too-large`, `not-json`. */
export async function readJson(request: NextRequest, most = largestBody): Promise<unknown> {
  const text = Buffer.from(await readBytes(request, most)).toString('utf8')
  try {
    return JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError) throw new Fault('not-json', { file: 'body', detail: error.message })
    throw error
  }
}
