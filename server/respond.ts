import { randomUUID } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { type z } from 'zod'
import { joinedBytes } from '@/core/model/bytes'
import { Fault } from '@/core/model/fault'
import { type Role } from '@/core/model/roles'
import { faultOf } from '@/core/model/rules'
import { plainEnglish } from '@/words/plain-english'
import { checkAccess, isForMembers, ruleOf, type rules, type RouteName } from './access'
import { addressOf, checkHost, isOperator } from './hosts'
import { jsonOf } from './json'
import { log } from './log'
import { requestSeconds } from './metrics'
import { checkRate } from './rate-limit'
import { visitor } from './session'
import { DatabaseError } from './sql-errors'
import { type Guest, type Member } from './sql/people'

const statusOf: Readonly<Record<string, number>> = {
  'no-such-job': 404,
  'no-such-offer': 404,
  'no-such-weather': 404,
  'no-such-file': 404,
  'no-such-moment': 404,
  'no-such-comment': 404,
  'not-yours': 403,
  'not-your-role': 403,
  'not-your-part': 403,
  'no-accounts': 404,
  'no-such-invitation': 404,
  'no-such-work': 404,
  'no-such-link': 404,
  'wrong-link-password': 403,
  'too-many-links': 409,
  'no-such-member': 404,
  'link-over': 410,
  'has-account': 409,
  'last-owner': 409,
  'wrong-sign-in': 401,
  'code-needed': 401,
  'sign-in-locked': 429,
  answered: 409,
  'too-many-comments': 409,
  'too-many-versions': 409,
  'no-such-designer': 422,
  'offer-withdrawn': 410,
  'offer-expired': 410,
  'offer-accepted': 409,
  'offer-changed': 409,
  'too-many-questions': 429,
  'too-many-quotes': 409,
  'not-signed-in': 401,
  'wrong-origin': 403,
  'not-allowed': 403,
  'wrong-host': 421,
  'too-large': 413,
  'too-many-requests': 429,
  'refused-by-database': 422,
  'too-heavy': 422,
  'too-much-shade': 422,
  'store-full': 507,
  'given-up': 499,
  'server-busy': 503,
  'pdf-busy': 503,
  'pdf-failed': 503,
  'database-away': 503,
  'service-away': 503,
  'service-refused': 503,
}

/** Seconds after which what is busy or away may be asked again. */
const retryAfter = 2

function answerOf(fault: Fault, status: number): NextResponse {
  const headers: Record<string, string> = { 'Cache-Control': 'no-store' }
  if (status === 503) headers['Retry-After'] = String(retryAfter)
  if (status === 429) headers['Retry-After'] = String(Number(fault.data['seconds']) || retryAfter)
  return NextResponse.json(
    { error: { ...fault.toJSON(), message: plainEnglish.fault(fault) } },
    { status, headers },
  )
}

/** What a failed statement is to whoever asked; null for a mistake of ours. */
function faultOfDatabase({ kind }: DatabaseError): Fault | null {
  switch (kind) {
    case 'again':
    case 'away':
      return new Fault('database-away')
    case 'refused':
      return new Fault('refused-by-database')
    case 'broken':
      return null
  }
}

/** A fault as the browser gets it; anything else is logged and told without its inside. */
export function failure(error: unknown, id = ''): NextResponse {
  if (error instanceof Fault) return answerOf(error, statusOf[error.code] ?? 400)
  if (error instanceof DatabaseError) {
    log.error({ id, statement: error.statement, code: error.code, kind: error.kind }, 'database')
    const fault = faultOfDatabase(error)
    if (fault) return failure(fault)
    return answerOf(new Fault('unexpected'), 500)
  }
  log.error(
    {
      id,
      error:
        error instanceof Error ? { name: error.name, message: error.message, stack: error.stack } : 'unknown',
    },
    'unexpected',
  )
  return answerOf(new Fault('unexpected'), 500)
}

type WhoOf<N extends RouteName> = (typeof rules)[N]['who'] extends string
  ? Member | Guest | undefined
  : (typeof rules)[N]['who'][number] extends Role
    ? Member
    : Member | Guest

/** What a route works with. */
export interface Call<N extends RouteName, P> {
  readonly request: NextRequest
  readonly params: P
  readonly who: WhoOf<N>
  /** Whether who asked would still be let in: of what goes on for long. */
  readonly isStillIn: () => Promise<boolean>
}

/** Where a request comes from: whoever is signed in, else an address. */
const placeOf = (request: NextRequest, who: Member | Guest | undefined) =>
  who?.id ?? addressOf(request.headers)

/** An answer that took longer is logged. */
const slowMs = 1000

/**
 * A route of the application: host, origin, rate and who asks are checked by the rule of its name before it works, and
 * whatever it throws becomes an answer.
 */
export function route<N extends RouteName, P extends object = Record<never, never>>(
  name: N,
  work: (call: Call<N, P>) => Promise<Response>,
): (request: NextRequest, context: { readonly params: Promise<P> }) => Promise<Response> {
  return async (request, { params }) => {
    const begin = performance.now()
    const id = request.headers.get('x-request-id') ?? randomUUID()
    let response: Response
    try {
      const host = request.headers.get('host')
      checkHost(host)
      if (request.method !== 'GET' && request.method !== 'HEAD') checkOrigin(request)
      const given = await params
      const asks = () => whoAsks(name, request, given)
      const who = await asks()
      checkRate(name, placeOf(request, who))
      checkAccess(name, who, isOperator(request.headers))
      const isStillIn = async () => isAllowed(name, await asks(), isOperator(request.headers))
      // The rule has let in members alone where it says so.
      response = await work({ request, params: given, who: who as WhoOf<N>, isStillIn })
    } catch (error) {
      response = failure(error, id)
    }
    const ms = performance.now() - begin
    requestSeconds.observe({ route: name, status: response.status }, ms / 1000)
    if (ms > slowMs || response.status >= 500)
      log.warn({ id, route: name, status: response.status, ms: Math.round(ms) }, 'request')
    else log.debug({ id, route: name, status: response.status, ms: Math.round(ms) }, 'request')
    if (!response.headers.has('Cache-Control')) response.headers.set('Cache-Control', 'no-store')
    response.headers.set('X-Request-Id', id)
    return response
  }
}

/** Who asks, where the rule is for somebody: what is for anyone is answered whatever becomes of the database. */
function whoAsks(name: RouteName, { cookies }: NextRequest, params: object) {
  if (!isForMembers(ruleOf(name))) return undefined
  const jobId = name.includes('/jobs/[id]') && 'id' in params ? String(params.id) : null
  return visitor(jobId, cookies)
}

function isAllowed(name: RouteName, who: Member | Guest | undefined, isHere: boolean): boolean {
  try {
    checkAccess(name, who, isHere)
    return true
  } catch (error) {
    if (error instanceof Fault) return false
    throw error
  }
}

/** Requests that change something come from our own pages. */
function checkOrigin(request: NextRequest): void {
  const origin = request.headers.get('origin')
  // A page without an origin of its own sends "null".
  if (origin !== null && (!URL.canParse(origin) || new URL(origin).host !== request.headers.get('host')))
    throw new Fault('wrong-origin')
}

const largestBody = 4_000_000

/**
 * The body as JSON of the expected shape.
 * @throws Fault `too-large`, `not-json`, `broken-text`, `bad-body` with the path of the fault.
 */
export async function readBody<T>(request: NextRequest, schema: z.ZodType<T>): Promise<T> {
  const parsed = schema.safeParse(jsonOf(await readBytes(request, largestBody)))
  if (!parsed.success) throw faultOf(parsed.error, 'bad-body')
  return parsed.data
}

/**
 * The body's bytes; reading stops where it grows over the limit.
 * @throws Fault `too-large`
 */
export async function readBytes(request: NextRequest, most: number): Promise<Uint8Array<ArrayBuffer>> {
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
  return joinedBytes(parts)
}
