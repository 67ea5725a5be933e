import { z } from 'zod'
import { roles } from '@/core/model/roles'
import { many, maybeOne, run, type Runner } from '../database'

const accountSchema = z.object({
  designer_id: z.string(),
  team_id: z.string(),
  name: z.string(),
  role: z.enum(roles),
  mail: z.string(),
  password_hash: z.string(),
  code_key: z.string().nullable(),
})

/** Somebody who signs in. */
export interface Account {
  readonly id: string
  readonly teamId: string
  readonly name: string
  readonly role: z.infer<typeof accountSchema>['role']
  readonly mail: string
  readonly passwordHash: string
  /** Sealed; null without a second factor. */
  readonly codeKey: string | null
}

function toAccount(row: unknown): Account {
  const r = accountSchema.parse(row)
  return {
    id: r.designer_id,
    teamId: r.team_id,
    name: r.name,
    role: r.role,
    mail: r.mail,
    passwordHash: r.password_hash,
    codeKey: r.code_key,
  }
}

/** Whoever has left has no account any more. */
const columns = `a.designer_id, d.team_id, d.name, d.role, a.mail, a.password_hash, a.code_key
  FROM account a JOIN designer d ON d.id = a.designer_id WHERE d.left_at IS NULL`

export async function maybeOneAccountByMail(mail: string, runner?: Runner): Promise<Account | undefined> {
  const row = await maybeOne('account by mail', `SELECT ${columns} AND a.mail = ?`, [mail], runner)
  return row && toAccount(row)
}

export async function maybeOneAccount(id: string, runner?: Runner): Promise<Account | undefined> {
  const row = await maybeOne('account', `SELECT ${columns} AND a.designer_id = ?`, [id], runner)
  return row && toAccount(row)
}

export async function isAnybodyIn(): Promise<boolean> {
  return (await many('any account', 'SELECT designer_id FROM account LIMIT 1')).length > 0
}

export const insertAccount = (
  { id, mail, passwordHash }: { id: string; mail: string; passwordHash: string },
  runner: Runner,
) =>
  run(
    'insert account',
    'INSERT INTO account (designer_id, mail, password_hash) VALUES (?, ?, ?)',
    [id, mail, passwordHash],
    runner,
  )

export const updatePassword = (id: string, passwordHash: string, runner?: Runner) =>
  run(
    'update password',
    'UPDATE account SET password_hash = ? WHERE designer_id = ?',
    [passwordHash, id],
    runner,
  )

/** Sets the second factor's key, or takes it away with null. */
export const updateCodeKey = (id: string, codeKey: string | null, runner: Runner) =>
  run(
    'update code key',
    'UPDATE account SET code_key = ?, code_step = NULL WHERE designer_id = ?',
    [codeKey, id],
    runner,
  )

/** Takes a step of time whose code was given. @returns 0 when that or a later one was taken before */
export const takeCodeStep = (id: string, step: number) =>
  run(
    'take code step',
    'UPDATE account SET code_step = ? WHERE designer_id = ? AND (code_step IS NULL OR code_step < ?)',
    [step, id, step],
  )

export async function replaceSpareCodes(
  id: string,
  digests: readonly string[],
  runner: Runner,
): Promise<void> {
  await run('remove spare codes', 'DELETE FROM spare_code WHERE designer_id = ?', [id], runner)
  for (const digest of digests)
    await run(
      'insert spare code',
      'INSERT INTO spare_code (designer_id, digest) VALUES (?, ?)',
      [id, digest],
      runner,
    )
}

/** @returns 0 when there is no such code, or it was used before */
export const takeSpareCode = (id: string, digest: string) =>
  run('take spare code', 'DELETE FROM spare_code WHERE designer_id = ? AND digest = ?', [id, digest])

const countSchema = z.object({ count: z.number() })

export async function countSpareCodes(id: string): Promise<number> {
  const row = await maybeOne(
    'count spare codes',
    'SELECT COUNT(*) AS count FROM spare_code WHERE designer_id = ?',
    [id],
  )
  return countSchema.parse(row).count
}

const failureSchema = z.object({ failures: z.number(), ago: z.coerce.number() })

/** Failed attempts for an address, and milliseconds since the last; the row stays locked for the transaction. */
export async function maybeOneFailure(mailDigest: string, runner: Runner) {
  const row = await maybeOne(
    'failed sign-ins',
    `SELECT failures, TIMESTAMPDIFF(MICROSECOND, last_at, CURRENT_TIMESTAMP(3)) / 1000 AS ago
      FROM failed_sign_in WHERE mail_digest = ? FOR UPDATE`,
    [mailDigest],
    runner,
  )
  return row && failureSchema.parse(row)
}

export const storeFailures = (mailDigest: string, failures: number, runner: Runner) =>
  run(
    'store failed sign-ins',
    `INSERT INTO failed_sign_in (mail_digest, failures, last_at) VALUES (?, ?, CURRENT_TIMESTAMP(3))
      ON DUPLICATE KEY UPDATE failures = VALUES(failures), last_at = VALUES(last_at)`,
    [mailDigest, failures],
    runner,
  )

export const removeFailures = (mailDigest: string, runner?: Runner) =>
  run('remove failed sign-ins', 'DELETE FROM failed_sign_in WHERE mail_digest = ?', [mailDigest], runner)

/** Failures that are forgiven by now, some at a time. */
export const removeOldFailures = () =>
  run(
    'remove old failures',
    'DELETE FROM failed_sign_in WHERE last_at < CURRENT_TIMESTAMP(3) - INTERVAL 2 DAY LIMIT 500',
  )
