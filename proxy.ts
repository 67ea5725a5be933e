import { randomBytes, randomUUID } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { Fault } from '@/core/model/fault'
import { type RouteName } from '@/server/access'
import { answers } from '@/server/database'
import { addressOf, checkHost } from '@/server/hosts'
import { checkRate } from '@/server/rate-limit'
import { plainEnglish } from '@/words/plain-english'

/**
 * Before every request: a number for the log, and the page's content policy. Everything comes from this server and goes
 * to it, and a script runs in a page only with the page's own secret word, whatever finds its way into it. Charts and the
 * stage set styles of single elements; style sheets need the word too.
 */

const dev = process.env.NODE_ENV !== 'production'

const policyWith = (nonce: string) =>
  [
    "default-src 'self'",
    // The development server reloads by evaluating code.
    `script-src 'self' 'nonce-${nonce}'${dev ? " 'unsafe-eval'" : ''}`,
    dev ? "style-src 'self' 'unsafe-inline'" : `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')

/** Paths that can't be read as text lead nowhere. */
function isReadable(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

/** Pages, by their paths; routes count for themselves. */
const pages: readonly (readonly [RegExp, RouteName])[] = [
  [/^\/$/, 'GET /'],
  [/^\/jobs\/[^/]+$/, 'GET /jobs/[id]'],
  [/^\/offer\/[^/]+$/, 'GET /offer/[token]'],
  [/^\/sign-in$/, 'GET /sign-in'],
  [/^\/forgotten$/, 'GET /forgotten'],
  [/^\/password\/[^/]+$/, 'GET /password/[token]'],
  [/^\/invitation\/[^/]+$/, 'GET /invitation/[token]'],
  [/^\/link\/[^/]+$/, 'GET /link/[token]'],
  [/^\/account$/, 'GET /account'],
  [/^\/team$/, 'GET /team'],
  [/^\/letterhead$/, 'GET /letterhead'],
  [/^\/dashboard$/, 'GET /dashboard'],
]

/** What is refused before anything looks at it: names of others, and too much at once. */
function refusal(request: NextRequest): NextResponse | null {
  const { pathname } = request.nextUrl
  if (!isReadable(pathname)) return new NextResponse('There is nothing here.', { status: 404 })
  try {
    checkHost(request.headers.get('host'))
    const page = pages.find(([path]) => path.test(pathname))
    if (page) checkRate(page[1], addressOf(request.headers))
    return null
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    const status = error.code === 'too-many-requests' ? 429 : 421
    return new NextResponse(plainEnglish.fault(error), { status, headers: { 'Cache-Control': 'no-store' } })
  }
}

/** Seconds after which a page looks again for a database that was away. */
const lookAgainSeconds = 3

/** A page can't tell by its status that the database is away: this is told before it is begun. */
async function awayPage(request: NextRequest): Promise<NextResponse | null> {
  if (request.method !== 'GET' || !pages.some(([path]) => path.test(request.nextUrl.pathname))) return null
  if (await answers()) return null
  const text = plainEnglish.fault(new Fault('database-away'))
  return new NextResponse(
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Tall Gable</title>` +
      `<meta http-equiv="refresh" content="${lookAgainSeconds}"></head><body><p>${text}</p></body></html>`,
    {
      status: 503,
      headers: {
        'Content-Type': 'text/html; charset=utf-8',
        'Cache-Control': 'no-store',
        'Retry-After': String(lookAgainSeconds),
        'Content-Security-Policy': "default-src 'none'",
      },
    },
  )
}

export async function proxy(request: NextRequest): Promise<NextResponse> {
  const refused = refusal(request) ?? (await awayPage(request))
  if (refused) return refused
  const nonce = randomBytes(16).toString('base64')
  const policy = policyWith(nonce)
  const headers = new Headers(request.headers)
  headers.set('x-request-id', randomUUID())
  headers.set('x-nonce', nonce)
  headers.set('Content-Security-Policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('Content-Security-Policy', policy)
  // Behind TLS, browsers ask for nothing else for a year.
  if (process.env['SECURE_COOKIES'] === '1')
    response.headers.set('Strict-Transport-Security', 'max-age=31536000')
  return response
}

/** Everything but files that never change, and the word that the server lives, which shows nothing. */
export const config = { matcher: ['/((?!_next/static|health$).*)'] }
