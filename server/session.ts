import { sealData, unsealData } from 'iron-session'
import { cookies, headers } from 'next/headers'
import { maybeOneDesigner, maybeOneFirstDesigner, type Designer } from './sql/people'

interface Session {
  readonly designerId?: string
}

const cookieName = 'tall-gable'
const lifeSeconds = 60 * 60 * 24 * 14

function secret(): string {
  const password = process.env['SESSION_SECRET']
  if (!password || password.length < 32)
    throw new Error('SESSION_SECRET must be set to at least 32 characters')
  return password
}

/** Who is asking; undefined when nobody has signed in. */
export async function designer(): Promise<Designer | undefined> {
  const sealed = (await cookies()).get(cookieName)?.value
  if (!sealed) return undefined
  const session = await unsealData<Session>(sealed, { password: secret(), ttl: lifeSeconds })
  return session.designerId ? maybeOneDesigner(session.designerId) : undefined
}

const loopback = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/

/**
 * On one's own machine there is one designer and no password: whoever reaches the loopback address under its own name
 * is that designer. Off unless the start command says so.
 */
export async function enterAsLocalDesigner(): Promise<boolean> {
  if (process.env['SIGN_IN'] !== 'local') return false
  if (!loopback.test((await headers()).get('host') ?? '')) return false
  const first = await maybeOneFirstDesigner()
  if (!first) return false
  const sealed = await sealData({ designerId: first.id } satisfies Session, {
    password: secret(),
    ttl: lifeSeconds,
  })
  // The start command serves on loopback without TLS; a public server sets SECURE_COOKIES.
  const secure = process.env['SECURE_COOKIES'] === '1'
  const store = await cookies()
  store.set(cookieName, sealed, { httpOnly: true, sameSite: 'lax', secure, path: '/', maxAge: lifeSeconds })
  return true
}
