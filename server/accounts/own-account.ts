import { Fault } from '@/core/model/fault'
import { transaction } from '../database'
import { digestOf } from '../digest'
import {
  maybeOneAccount,
  replaceSpareCodes,
  updateCodeKey,
  updatePassword,
  type Account,
} from '../sql/accounts'
import { insertNote, type Deed } from '../sql/audit'
import { type Member } from '../sql/people'
import { removeSignInById, removeSignIns } from '../sql/sign-ins'
import { countAttempt, forgetAttempts } from './attempts'
import { newSpareCodes, sealCodeKey, spareDigest, stepOfCode } from './codes'
import { checkPassword, hashPassword, isPassword } from './passwords'

/** Whoever asks, with the place it comes from. */
export interface Asking {
  readonly who: Member
  readonly place: string
}

const noteOf = ({ who, place }: Asking, what: Deed, about = '') => ({
  teamId: who.teamId,
  designerId: who.id,
  what,
  about,
  place,
})

/**
 * The account of whoever asks, who says its password again; whoever sits at a screen that was left open guesses no faster
 * than at the door.
 * @throws Fault `wrong-password`, `not-signed-in`, `sign-in-locked`
 */
export async function sureOf({ who }: Asking, password: string): Promise<Account> {
  const account = await maybeOneAccount(who.id)
  if (!account) throw new Fault('not-signed-in')
  const mailDigest = digestOf(account.mail)
  await countAttempt(mailDigest)
  if (!(await isPassword(password, account.passwordHash))) throw new Fault('wrong-password')
  await forgetAttempts(mailDigest)
  return account
}

/**
 * Sets another password; everywhere else one is signed out.
 * @param here the digest of the sign-in that asks
 * @throws Fault `wrong-password`, and as `checkPassword` does
 */
export async function changePassword(
  asking: Asking,
  { password, next }: { readonly password: string; readonly next: string },
  here: string,
): Promise<void> {
  const account = await sureOf(asking, password)
  checkPassword(next, [account.name, account.mail])
  const passwordHash = await hashPassword(next)
  await transaction('change password', async (runner) => {
    await updatePassword(account.id, passwordHash, runner)
    await removeSignIns(account.id, here, runner)
    await insertNote(noteOf(asking, 'password-set'), runner)
  })
}

/**
 * Turns the second factor on with a key that was just shown, once a code proves that it was taken.
 * @returns the spare codes, which are told once
 * @throws Fault `wrong-password`, `wrong-code`
 */
export async function turnCodeOn(
  asking: Asking,
  { password, key, code }: { readonly password: string; readonly key: string; readonly code: string },
): Promise<readonly string[]> {
  const account = await sureOf(asking, password)
  if (stepOfCode(key, code) === null) throw new Fault('wrong-code')
  const [sealed, spare] = [await sealCodeKey(key), newSpareCodes()]
  const digests = spare.map((one) => spareDigest(account.id, one))
  await transaction('turn code on', async (runner) => {
    await updateCodeKey(account.id, sealed, runner)
    await replaceSpareCodes(account.id, digests, runner)
    await insertNote(noteOf(asking, 'code-on'), runner)
  })
  return spare
}

/** @throws Fault `wrong-password` */
export async function turnCodeOff(asking: Asking, password: string): Promise<void> {
  const account = await sureOf(asking, password)
  await transaction('turn code off', async (runner) => {
    await updateCodeKey(account.id, null, runner)
    await replaceSpareCodes(account.id, [], runner)
    await insertNote(noteOf(asking, 'code-off'), runner)
  })
}

/** Ends one of one's own sign-ins by its id, or all others without one. */
export async function endSignIns(asking: Asking, id: string | null, here: string): Promise<void> {
  if (id === null) await removeSignIns(asking.who.id, here)
  else await removeSignInById(asking.who.id, id)
  await insertNote(noteOf(asking, 'sign-ins-ended', id === null ? 'all others' : 'one'))
}
