import { Fault } from '@/core/model/fault'
import { type Role } from '@/core/model/roles'
import { transaction, type Runner } from '../database'
import { insertNote } from '../sql/audit'
import { leaveTeam, lockTeam, manyOwnerIds, maybeOneDesigner, setRole, type Member } from '../sql/people'
import { removeSignIns } from '../sql/sign-ins'

/**
 * Somebody of the own team, while no other change of who may do what is under way.
 * @throws Fault `no-such-member`; `last-owner` where nobody would be left to let others in
 */
async function memberOf(who: Member, id: string, staysOwner: boolean, runner: Runner): Promise<Member> {
  await lockTeam(who.teamId, runner)
  const member = await maybeOneDesigner(id, runner)
  if (member?.teamId !== who.teamId) throw new Fault('no-such-member')
  const others = (await manyOwnerIds(who.teamId, runner)).filter((owner) => owner !== id)
  if (!staysOwner && others.length === 0) throw new Fault('last-owner')
  return member
}

/** @throws Fault `no-such-member`, `last-owner` */
export const changeRole = (who: Member, id: string, role: Role, place: string): Promise<void> =>
  transaction('change role', async (runner) => {
    const member = await memberOf(who, id, role === 'owner', runner)
    await setRole(id, role, runner)
    const about = `${member.name}, ${role}`
    await insertNote({ teamId: who.teamId, designerId: who.id, what: 'role-set', about, place }, runner)
  })

/**
 * Takes somebody out of the team: they are signed out everywhere and get in no more; what they did keeps their name.
 * @throws Fault `no-such-member`, `last-owner`
 */
export const takeOut = (who: Member, id: string, place: string): Promise<void> =>
  transaction('take out of team', async (runner) => {
    const member = await memberOf(who, id, false, runner)
    await removeSignIns(id, null, runner)
    await leaveTeam(id, runner)
    await insertNote(
      { teamId: who.teamId, designerId: who.id, what: 'left', about: member.name, place },
      runner,
    )
  })
