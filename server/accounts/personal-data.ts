import { Fault } from '@/core/model/fault'
import { transaction } from '../database'
import { digestOf } from '../digest'
import { maybeOneAccount, removeFailures } from '../sql/accounts'
import { insertNote } from '../sql/audit'
import { editsBy, forget, manyCommentsBy, manyNotesBy } from '../sql/personal-data'
import { leaveTeam, type Member } from '../sql/people'
import { manySignIns, removeSignIns } from '../sql/sign-ins'
import { ownerStays } from './members'
import { sureOf, type Asking } from './own-account'

/** What a colleague is called who wished to be forgotten. */
const forgotten = 'Former colleague'

/** All that is kept of somebody, but for the jobs themselves, which are the team's. @throws Fault `not-signed-in` */
export async function dataOf({ id, teamId, name, role }: Member) {
  const account = await maybeOneAccount(id)
  if (!account) throw new Fault('not-signed-in')
  const [signIns, log, comments, edits] = await Promise.all([
    manySignIns(id),
    manyNotesBy(teamId, id),
    manyCommentsBy(id),
    editsBy(id),
  ])
  return {
    name,
    mail: account.mail,
    role,
    secondFactor: account.codeKey !== null,
    signIns: signIns.map(({ device, place, begunAt, seenAt }) => ({ device, place, begunAt, seenAt })),
    log,
    comments,
    edits,
  }
}

/**
 * Leaves the team and is forgotten: the account goes, and name and addresses are taken out of what stays. Edits and comments
 * stay, by a former colleague.
 * @throws Fault `wrong-password`, `last-owner`
 */
export async function beForgotten(asking: Asking, password: string): Promise<void> {
  const { id, teamId, name, mail } = await sureOf(asking, password)
  await transaction('be forgotten', async (runner) => {
    await ownerStays(teamId, id, runner)
    await removeSignIns(id, null, runner)
    await leaveTeam(id, runner)
    await removeFailures(digestOf(mail), runner)
    await forget({ id, teamId, name, mail }, forgotten, runner)
    await insertNote({ teamId, designerId: id, what: 'left', about: forgotten, place: '' }, runner)
  })
}
