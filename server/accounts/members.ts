import { Fault } from '@/core/model/fault'
import { type Role } from '@/core/model/roles'
import { transaction, type Runner } from '../database'
import { insertNote } from '../sql/audit'
import { leaveTeam, lockTeam, manyOwnerIds, maybeOneDesigner, setRole, type Member } from '../sql/people'
import { removeSignIns } from '../sql/sign-ins'

/**
 * Until the transaction ends nobody else changes who may do what in a team, and it has an owner without this one. It comes
 * first in its transaction, or after the team was locked.
 * @throws Fault `last-owner` where nobody would be left to let others in
 */
export async function ownerStays(teamId: string, without: string | null, runner: Runner): Promise<void> {
  await lockTeam(teamId, runner)
  const owners = await manyOwnerIds(teamId, runner)
  if (!owners.some((owner) => owner !== without)) throw new Fault('last-owner')
}

/** Somebody of the own team. @throws Fault `no-such-member`; `last-owner` as `ownerStays` does */
async function memberOf(who: Member, id: string, staysOwner: boolean, runner: Runner): Promise<Member> {
  // First of all, so that everything read after it is as the one before left it.
  await lockTeam(who.teamId, runner)
  const member = await maybeOneDesigner(id, runner)
  if (member?.teamId !== who.teamId) throw new Fault('no-such-member')
  await ownerStays(who.teamId, staysOwner ? null : id, runner)
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
