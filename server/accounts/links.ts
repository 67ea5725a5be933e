import { randomUUID } from 'node:crypto'
import { Fault } from '@/core/model/fault'
import { type Role } from '@/core/model/roles'
import { transaction } from '../database'
import { digestOf, newSecret } from '../digest'
import {
  insertAccount,
  maybeOneAccount,
  maybeOneAccountByMail,
  removeFailures,
  updatePassword,
} from '../sql/accounts'
import { insertNote } from '../sql/audit'
import {
  insertLink,
  maybeOneLink,
  removeInvitation,
  removeOpenLinks,
  useLink,
  type LinkPurpose,
  type MailedLink,
} from '../sql/mailed-links'
import { insertDesigner, renameDesigner, type Designer, type Member } from '../sql/people'
import { removeSignIns } from '../sql/sign-ins'
import { mailTo, publicOrigin } from './mail'
import { checkPassword, hashPassword } from './passwords'
import { beginSignIn, mailOf, type From } from './sign-in'

/** Hours that a link leads somewhere. */
const hours: Readonly<Record<LinkPurpose, number>> = { join: 7 * 24, password: 1 }

export const roleWords: Readonly<Record<Role, string>> = {
  owner: 'an owner',
  designer: 'a designer',
  reader: 'a reader',
  installer: 'an installer',
}

const joinAddress = (secret: string) => `${publicOrigin()}/invitation/${secret}`

/**
 * Invites somebody to the team by mail; one that was invited before gets a new link.
 * @returns the link, for whoever hands it over in another way
 * @throws Fault `has-account` where the address is somebody's already
 */
export async function invite(who: Member, given: string, role: Role, place: string): Promise<string> {
  const [mail, secret, id] = [mailOf(given), newSecret(), randomUUID()]
  const address = joinAddress(secret)
  const store = await mailTo(
    mail,
    `${who.name} invites you to Tall Gable`,
    `${who.name} invites you to work with the team in Tall Gable as ${roleWords[role]}.\n\nChoose a name and a password here, within seven days:\n${address}\n\nIf you know nothing of this, there is nothing to do.\n`,
  )
  await transaction('invite', async (runner) => {
    if (await maybeOneAccountByMail(mail, runner)) throw new Fault('has-account', { mail })
    await removeOpenLinks(who.teamId, 'join', mail, runner)
    const link = { id, purpose: 'join', teamId: who.teamId, designerId: null, mail, role } as const
    await insertLink({ ...link, digest: digestOf(secret), madeBy: who.id, hours: hours.join }, runner)
    await store(runner)
    const about = `${mail}, ${role}`
    await insertNote({ teamId: who.teamId, designerId: who.id, what: 'invited', about, place }, runner)
  })
  return address
}

/** @throws Fault `no-such-invitation` */
export const withdrawInvitation = (who: Member, id: string, place: string): Promise<void> =>
  transaction('withdraw invitation', async (runner) => {
    if ((await removeInvitation(who.teamId, id, runner)) === 0) throw new Fault('no-such-invitation')
    const note = {
      teamId: who.teamId,
      designerId: who.id,
      what: 'invitation-withdrawn',
      about: '',
      place,
    } as const
    await insertNote(note, runner)
  })

/**
 * The way in for the first owner, where nobody signs in yet: whoever has worked on this machine becomes an account.
 * @returns the link
 */
export async function inviteFirstOwner({ id: designerId, teamId }: Designer): Promise<string> {
  const [secret, id] = [newSecret(), randomUUID()]
  await transaction('invite first owner', async (runner) => {
    await removeOpenLinks(teamId, 'join', '', runner)
    const link = { id, purpose: 'join', teamId, designerId, mail: '', role: 'owner' } as const
    await insertLink({ ...link, digest: digestOf(secret), madeBy: null, hours: hours.join }, runner)
  })
  return joinAddress(secret)
}

/** @throws Fault `link-over` for one that never was, too, so that nobody learns which were */
function checkedLink(link: MailedLink | undefined, purpose: LinkPurpose): MailedLink {
  if (link?.purpose !== purpose || link.isUsed || link.isOver) throw new Fault('link-over')
  return link
}

/** The link that a secret opens. @throws Fault `link-over` */
export const openLink = async (secret: string, purpose: LinkPurpose): Promise<MailedLink> =>
  checkedLink(await maybeOneLink(digestOf(secret)), purpose)

/**
 * Takes an invitation: the name and password are chosen, and its holder is signed in.
 * @param mail asked of the first owner, whom nobody has written to
 * @returns the secret that the browser keeps
 * @throws Fault `link-over`, `has-account`, `mail-needed`, and as `checkPassword` does
 */
export async function join(
  secret: string,
  given: { readonly name: string; readonly mail?: string | undefined; readonly password: string },
  from: From,
): Promise<string> {
  const digest = digestOf(secret)
  const { mail: invited } = await openLink(secret, 'join')
  const mail = invited === '' ? mailOf(given.mail ?? '') : invited
  if (mail === '') throw new Fault('mail-needed')
  checkPassword(given.password, [given.name, mail])
  const [passwordHash, newId] = [await hashPassword(given.password), randomUUID()]
  const account = await transaction('join', async (runner) => {
    const link = await maybeOneLink(digest, runner)
    const id = link?.designerId ?? newId
    // Stored before, by a commit whose answer was lost.
    const before = await maybeOneAccount(id, runner)
    if (before?.passwordHash === passwordHash) return before
    const { teamId, role, designerId } = checkedLink(link, 'join')
    if (await maybeOneAccountByMail(mail, runner)) throw new Fault('has-account', { mail })
    if (designerId === null) await insertDesigner(id, teamId, given.name, runner, role)
    else await renameDesigner(id, given.name, runner)
    await insertAccount({ id, mail, passwordHash }, runner)
    await useLink(digest, runner)
    const about = `${mail}, ${role}`
    await insertNote({ teamId, designerId: id, what: 'joined', about, place: from.place }, runner)
    return { id, teamId }
  })
  return beginSignIn(account, from)
}

/**
 * Mails a link to set a new password to whoever has an account under an address. That there is one is told nowhere but in
 * the mail.
 */
export async function mailPasswordLink(given: string, place: string): Promise<void> {
  const [mail, secret, id] = [mailOf(given), newSecret(), randomUUID()]
  const account = await maybeOneAccountByMail(mail)
  const store = await mailTo(
    mail,
    'A new password for Tall Gable',
    `Somebody, you most likely, asks for a new password. Set it here within an hour:\n${publicOrigin()}/password/${secret}\n\nIf it was not you, there is nothing to do: the old one still holds.\n`,
  )
  if (!account) return
  await transaction('mail password link', async (runner) => {
    await removeOpenLinks(account.teamId, 'password', mail, runner)
    const { teamId, role } = account
    const link = { id, purpose: 'password', teamId, designerId: account.id, mail, role } as const
    await insertLink({ ...link, digest: digestOf(secret), madeBy: null, hours: hours.password }, runner)
    await store(runner)
    await insertNote({ teamId, designerId: null, what: 'password-asked', about: mail, place }, runner)
  })
}

/**
 * Sets a new password by a mailed link and ends every sign-in; the second factor stays.
 * @throws Fault `link-over`, and as `checkPassword` does
 */
export async function setPasswordByLink(secret: string, password: string, place: string): Promise<void> {
  const digest = digestOf(secret)
  const { mail, designerId } = await openLink(secret, 'password')
  const account = designerId === null ? undefined : await maybeOneAccount(designerId)
  if (!account) throw new Fault('link-over')
  checkPassword(password, [account.name, mail])
  const passwordHash = await hashPassword(password)
  await transaction('set password by link', async (runner) => {
    const { id, teamId } = account
    if ((await maybeOneAccount(id, runner))?.passwordHash === passwordHash) return
    checkedLink(await maybeOneLink(digest, runner), 'password')
    await updatePassword(id, passwordHash, runner)
    await useLink(digest, runner)
    await removeSignIns(id, null, runner)
    // Whoever reads the mail may try again at once.
    await removeFailures(digestOf(mail), runner)
    await insertNote(
      { teamId, designerId: id, what: 'password-set', about: 'by a mailed link', place },
      runner,
    )
  })
}
