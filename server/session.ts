import { sealData, unsealData } from 'iron-session'
import { LRUCache } from 'lru-cache'
import { cookies, headers } from 'next/headers'
import { z } from 'zod'
import { digestOf } from './digest'
import { hasAccounts, isLoopback } from './hosts'
import { log } from './log'
import { secret } from './seal'
import { maybeOneJobLink } from './sql/job-links'
import { maybeOneDesigner, maybeOneFirstDesigner, type Guest, type Member } from './sql/people'
import { maybeOneSignedIn, removeSignIn, touchSignIn } from './sql/sign-ins'

const sessionSchema = z.object({ designerId: z.uuid() })
type Session = z.infer<typeof sessionSchema>

/** The start command serves on loopback without TLS; a public server sets SECURE_COOKIES. */
const isSecure = () => process.env['SECURE_COOKIES'] === '1'
/** Browsers take a name with this prefix from this very host alone, and only over TLS. */
const cookieName = () => (isSecure() ? '__Host-tall-gable' : 'tall-gable')
const lifeSeconds = 60 * 60 * 24 * 14
/** As long as a sign-in lasts at most; the server ends it before when nobody uses it. */
const signInSeconds = 60 * 60 * 24 * 60

/** Cookies of a request, as a route has them. */
interface CookieJar {
  get(name: string): { readonly value: string } | undefined
}

/** Who is asking; undefined when nobody has signed in, or the cookie is none of ours. */
export async function designer(jar?: CookieJar): Promise<Member | undefined> {
  const value = (jar ?? (await cookies())).get(cookieName())?.value
  if (!value) return undefined
  return hasAccounts() ? signedIn(value) : localDesigner(value)
}

const guestSchema = z.object({ linkId: z.uuid() })
const guestCookieName = () => `${cookieName()}-link`

/** Who has come by a link to a job, while that leads somewhere; undefined where nobody has. */
async function guest(jar: CookieJar): Promise<Guest | undefined> {
  const sealed = jar.get(guestCookieName())?.value
  if (!sealed || !hasAccounts()) return undefined
  const kept = guestSchema.safeParse(await opened(sealed))
  const link = kept.success ? await maybeOneJobLink(kept.data.linkId) : undefined
  return (
    link && { id: link.designerId, teamId: link.teamId, name: link.name, role: link.role, jobId: link.jobId }
  )
}

/**
 * Who is asking of a job: whoever has come by a link to it, unless they are of its team; else whoever has signed in. Files
 * and weather are of no job: there a guest is one who has not signed in.
 * @param jobId null where nothing is asked of a job
 */
export async function visitor(jobId: string | null, jar?: CookieJar): Promise<Member | Guest | undefined> {
  const cookieJar = jar ?? (await cookies())
  const [member, visiting] = await Promise.all([designer(cookieJar), guest(cookieJar)])
  if (!visiting) return member
  if (jobId === null) return member ?? visiting
  return visiting.jobId === jobId && member?.teamId !== visiting.teamId ? visiting : member
}

async function signedIn(value: string): Promise<Member | undefined> {
  const digest = digestOf(value)
  const found = await maybeOneSignedIn(digest)
  if (!found) return undefined
  const { isStale, ...member } = found
  if (isStale) await touchSignIn(digest)
  return member
}

async function localDesigner(sealed: string): Promise<Member | undefined> {
  const session = sessionSchema.safeParse(await opened(sealed))
  return session.success ? maybeOneDesigner(session.data.designerId) : undefined
}

/** The digest of the sign-in that a request comes with: what tells it from one's others. */
export const signInOf = async (jar?: CookieJar): Promise<string> =>
  digestOf((jar ?? (await cookies())).get(cookieName())?.value ?? '')

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

async function keepCookie(value: string, maxAge: number, name = cookieName()): Promise<void> {
  const store = await cookies()
  store.set(name, value, { httpOnly: true, sameSite: 'lax', secure: isSecure(), path: '/', maxAge })
}

/**
 * On one's own machine there is one designer and no password: whoever reaches the loopback address under its own name
 * is that designer. Off unless the start command says so.
 */
export async function enterAsLocalDesigner(): Promise<boolean> {
  if (hasAccounts()) return false
  if (!isLoopback((await headers()).get('host'))) return false
  const first = await maybeOneFirstDesigner()
  if (!first) return false
  const session: Session = { designerId: first.id }
  await keepCookie(await sealData(session, { password: secret(), ttl: lifeSeconds }), lifeSeconds)
  return true
}

/** The browser keeps the secret of a sign-in. */
export const keepSignIn = (value: string): Promise<void> => keepCookie(value, signInSeconds)

/** The browser may open one job by its link, for as long as that leads there. */
export async function keepGuest(linkId: string): Promise<void> {
  const value = await sealData({ linkId }, { password: secret(), ttl: lifeSeconds })
  await keepCookie(value, lifeSeconds, guestCookieName())
}

/** Ends the sign-in that a request comes with. */
export async function endSignIn(): Promise<void> {
  await removeSignIn(await signInOf())
  await keepCookie('', 0)
}
