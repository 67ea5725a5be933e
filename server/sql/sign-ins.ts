import { z } from 'zod'
import { roles } from '@/core/model/roles'
import { many, maybeOne, run, type Runner } from '../database'
import { type Member } from './people'

/** Days after which a sign-in ends that nobody used, and after which each does. */
const idleDays = 14
const longestDays = 60

const standing = `s.seen_at > CURRENT_TIMESTAMP(3) - INTERVAL ${idleDays} DAY
  AND s.begun_at > CURRENT_TIMESTAMP(3) - INTERVAL ${longestDays} DAY`

export const insertSignIn = (
  signIn: { digest: string; id: string; designerId: string; device: string; place: string },
  runner: Runner,
) =>
  run(
    'insert sign-in',
    `INSERT INTO sign_in (digest, id, designer_id, device, place) VALUES (?, ?, ?, ?, ?)
      ON DUPLICATE KEY UPDATE id = VALUES(id)`,
    [signIn.digest, signIn.id, signIn.designerId, signIn.device, signIn.place],
    runner,
  )

const memberSchema = z.object({
  id: z.string(),
  team_id: z.string(),
  name: z.string(),
  role: z.enum(roles),
  is_stale: z.number(),
})

/** Who is signed in with a secret. `isStale` where it has not been noted for a minute that they are still here. */
export async function maybeOneSignedIn(digest: string): Promise<(Member & { isStale: boolean }) | undefined> {
  const row = await maybeOne(
    'who is signed in',
    `SELECT d.id, d.team_id, d.name, d.role, s.seen_at < CURRENT_TIMESTAMP(3) - INTERVAL 1 MINUTE AS is_stale
      FROM sign_in s JOIN designer d ON d.id = s.designer_id
      WHERE s.digest = ? AND d.left_at IS NULL AND ${standing}`,
    [digest],
  )
  if (!row) return undefined
  const { id, team_id, name, role, is_stale } = memberSchema.parse(row)
  return { id, teamId: team_id, name, role, isStale: is_stale === 1 }
}

export const touchSignIn = (digest: string) =>
  run('touch sign-in', 'UPDATE sign_in SET seen_at = CURRENT_TIMESTAMP(3) WHERE digest = ?', [digest])

const signInSchema = z.object({
  id: z.string(),
  digest: z.string(),
  device: z.string(),
  place: z.string(),
  begun_at: z.date(),
  seen_at: z.date(),
})

/** Where somebody is signed in, the last used first. */
export async function manySignIns(designerId: string) {
  const rows = await many(
    'sign-ins of a designer',
    `SELECT s.id, s.digest, s.device, s.place, s.begun_at, s.seen_at FROM sign_in s
      WHERE s.designer_id = ? AND ${standing} ORDER BY s.seen_at DESC, s.id LIMIT 100`,
    [designerId],
  )
  return rows.map((row) => {
    const { begun_at, seen_at, ...rest } = signInSchema.parse(row)
    return { ...rest, begunAt: begun_at, seenAt: seen_at }
  })
}

export const removeSignIn = (digest: string) =>
  run('remove sign-in', 'DELETE FROM sign_in WHERE digest = ?', [digest])

/** Ends one of a designer's own. */
export const removeSignInById = (designerId: string, id: string) =>
  run('end sign-in', 'DELETE FROM sign_in WHERE designer_id = ? AND id = ?', [designerId, id])

/** Ends all of a designer's, but for the one that asks. */
export const removeSignIns = (designerId: string, except: string | null, runner?: Runner) =>
  run(
    'end sign-ins',
    'DELETE FROM sign_in WHERE designer_id = ? AND digest <> ?',
    [designerId, except ?? ''],
    runner,
  )

/** Those that have ended by themselves, some at a time. */
export const removeOldSignIns = () =>
  run(
    'remove old sign-ins',
    `DELETE FROM sign_in WHERE seen_at < CURRENT_TIMESTAMP(3) - INTERVAL ${idleDays} DAY
      OR begun_at < CURRENT_TIMESTAMP(3) - INTERVAL ${longestDays} DAY LIMIT 500`,
  )
