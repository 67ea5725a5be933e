import { sealData, unsealData } from 'iron-session'
import { LRUCache } from 'lru-cache'
import { cookies, headers } from 'next/headers'
import { z } from 'zod'
import { isLoopback } from './hosts'
import { log } from './log'
import { secret } from './seal'
import { maybeOneDesigner, maybeOneFirstDesigner, type Designer } from './sql/people'

const sessionSchema = z.object({ designerId: z.uuid() })
type Session = z.infer<typeof sessionSchema>

const cookieName = 'tall-gable'
const lifeSeconds = 60 * 60 * 24 * 14

/** Cookies of a request, as a route has them. */
interface CookieJar {
  get(name: string): { readonly value: string } | undefined
}

/** Who is asking; undefined when nobody has signed in, or the cookie is none of ours. */
export async function designer(jar?: CookieJar): Promise<Designer | undefined> {
  const sealed = (jar ?? (await cookies())).get(cookieName)?.value
  if (!sealed) return undefined
  const session = sessionSchema.safeParse(await opened(sealed))
  return session.success ? maybeOneDesigner(session.data.designerId) : undefined
}

/** Seals opened before: each request brings the same one. */
const known = new LRUCache<string, { readonly session: unknown }>({ max: 500, ttl: 60_000 })

async function opened(sealed: string): Promise<unknown> {
  const before = known.get(sealed)
  if (before) return before.session
  const session = await unsealed(sealed)
  known.set(sealed, { session })
  return session
}

async function unsealed(sealed: string): Promise<unknown> {
  try {
    return await unsealData(sealed, { password: secret(), ttl: lifeSeconds })
  } catch (error) {
    log.debug({ error: error instanceof Error ? error.message : 'unknown' }, 'cookie refused')
    return null
  }
}

/**
 * On one's own machine there is one designer and no password: whoever reaches the loopback address under its own name
 * is that designer. Off unless the start command says so.
 */
export async function enterAsLocalDesigner(): Promise<boolean> {
  if (process.env['SIGN_IN'] !== 'local') return false
  if (!isLoopback((await headers()).get('host'))) return false
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
