import { randomUUID } from 'node:crypto'
import { Fault } from '@/core/model/fault'
import { transaction } from '../database'
import { digestOf, newSecret } from '../digest'
import { addressOf } from '../hosts'
import { maybeOneAccountByMail, type Account } from '../sql/accounts'
import { insertNote } from '../sql/audit'
import { insertSignIn } from '../sql/sign-ins'
import { countAttempt, forgetAttempts } from './attempts'
import { takeCode } from './codes'
import { isPassword } from './passwords'

/** From where somebody signs in. */
export interface From {
  /** What the browser says it is. */
  readonly device: string
  /** Its address. */
  readonly place: string
}

export const fromOf = (headers: Pick<Headers, 'get'>): From => ({
  device: headers.get('user-agent') ?? '',
  place: addressOf(headers),
})

/** Begins a sign-in. @returns the secret that the browser keeps */
export async function beginSignIn(account: Pick<Account, 'id' | 'teamId'>, from: From): Promise<string> {
  const [secret, id] = [newSecret(), randomUUID()]
  await transaction('begin sign-in', async (runner) => {
    const device = from.device.slice(0, 300)
    await insertSignIn(
      { digest: digestOf(secret), id, designerId: account.id, device, place: from.place.slice(0, 64) },
      runner,
    )
    await insertNote(
      { teamId: account.teamId, designerId: account.id, what: 'signed-in', about: device, place: from.place },
      runner,
    )
  })
  return secret
}

/** As an address is kept: mail goes to the same box whatever its letters’ case. */
export const mailOf = (text: string): string => text.trim().toLowerCase()

/**
 * Signs somebody in.
 * @param code of the second factor, or a spare one; empty where none was asked for yet
 * @returns the secret that the browser keeps
 * @throws Fault `wrong-sign-in` whatever of it was wrong, `code-needed` where the password is right, `sign-in-locked`
 */
export async function signIn(
  { mail, password, code }: { readonly mail: string; readonly password: string; readonly code: string },
  from: From,
): Promise<string> {
  const mailDigest = digestOf(mailOf(mail))
  await countAttempt(mailDigest)
  const account = await maybeOneAccountByMail(mailOf(mail))
  const isRight = await isPassword(password, account?.passwordHash)
  const fail = async () => {
    if (account)
      await insertNote({
        teamId: account.teamId,
        designerId: account.id,
        what: 'sign-in-failed',
        about: '',
        place: from.place,
      })
    throw new Fault('wrong-sign-in')
  }
  if (!account || !isRight) return fail()
  if (account.codeKey !== null) {
    // Neither a failure nor a success: the attempt counts until the code was right.
    if (code === '') throw new Fault('code-needed')
    const taken = await takeCode(account, code)
    if (taken === null) return fail()
    if (taken === 'spare')
      await insertNote({
        teamId: account.teamId,
        designerId: account.id,
        what: 'spare-code-used',
        about: '',
        place: from.place,
      })
  }
  await forgetAttempts(mailDigest)
  return beginSignIn(account, from)
}
