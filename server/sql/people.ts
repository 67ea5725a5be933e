import { z } from 'zod'
import { guestRoles, roles, type GuestRole, type Role } from '@/core/model/roles'
import { many, maybeOne, run, type Runner } from '../database'

const designerSchema = z.object({ id: z.string(), team_id: z.string(), name: z.string() })

export interface Designer {
  readonly id: string
  readonly teamId: string
  readonly name: string
}

/** A designer with what they may do. */
export interface Member extends Designer {
  readonly role: Role
}

/** Whoever has come by a link to one job. */
export interface Guest extends Designer {
  readonly role: GuestRole
  readonly jobId: string
}

const toDesigner = (row: unknown): Designer => {
  const { id, team_id, name } = designerSchema.parse(row)
  return { id, teamId: team_id, name }
}

/** Those who are of the team, and not a hand of a link. */
const members = (column: string) => `${column} NOT IN (${guestRoles.map((role) => `'${role}'`).join(', ')})`

const memberSchema = designerSchema.extend({ role: z.enum(roles) })

const toMember = (row: unknown): Member => ({ ...toDesigner(row), role: memberSchema.parse(row).role })

export async function maybeOneDesigner(id: string, runner?: Runner): Promise<Member | undefined> {
  const row = await maybeOne(
    'designer',
    `SELECT id, team_id, name, role FROM designer WHERE id = ? AND left_at IS NULL AND ${members('role')}`,
    [id],
    runner,
  )
  return row && toMember(row)
}

/** The designer that was there first: the one who works when nobody else was set up. */
export async function maybeOneFirstDesigner(): Promise<Designer | undefined> {
  const row = await maybeOne(
    'first designer',
    'SELECT id, team_id, name FROM designer ORDER BY created_at, id LIMIT 1',
  )
  return row && toDesigner(row)
}

/** Whoever designs in a team, by their names. */
export async function manyDesigners(teamId: string): Promise<Designer[]> {
  const rows = await many(
    'designers of a team',
    `SELECT id, team_id, name FROM designer WHERE team_id = ? AND left_at IS NULL AND role IN ('owner', 'designer')
      ORDER BY name, id LIMIT 500`,
    [teamId],
  )
  return rows.map(toDesigner)
}

export const insertTeam = (id: string, name: string, runner: Runner) =>
  run('insert team', 'INSERT INTO team (id, name) VALUES (?, ?)', [id, name], runner)

export const insertDesigner = (
  id: string,
  teamId: string,
  name: string,
  runner: Runner,
  role: Role | GuestRole = 'designer',
) =>
  run(
    'insert designer',
    'INSERT INTO designer (id, team_id, name, role) VALUES (?, ?, ?, ?)',
    [id, teamId, name, role],
    runner,
  )

export const renameDesigner = (id: string, name: string, runner?: Runner) =>
  run('rename designer', 'UPDATE designer SET name = ? WHERE id = ?', [name, id], runner)

/** Until the transaction ends, nobody else changes who is in a team. */
export const lockTeam = (teamId: string, runner: Runner) =>
  maybeOne('lock team', 'SELECT id FROM team WHERE id = ? FOR UPDATE', [teamId], runner)

const idSchema = z.object({ id: z.string() })

export async function manyOwnerIds(teamId: string, runner: Runner): Promise<string[]> {
  const rows = await many(
    'owners of a team',
    "SELECT id FROM designer WHERE team_id = ? AND role = 'owner' AND left_at IS NULL",
    [teamId],
    runner,
  )
  return rows.map((row) => idSchema.parse(row).id)
}

export const setRole = (id: string, role: Role, runner: Runner) =>
  run('set role', 'UPDATE designer SET role = ? WHERE id = ?', [role, id], runner)

/** The account goes; the name stays with what was done, and jobs are nobody's until somebody takes them. */
export async function leaveTeam(id: string, runner: Runner): Promise<void> {
  await run('leave team', 'UPDATE designer SET left_at = CURRENT_TIMESTAMP(3) WHERE id = ?', [id], runner)
  await run('remove account', 'DELETE FROM account WHERE designer_id = ?', [id], runner)
  await run('free jobs', 'UPDATE job SET owner_id = NULL WHERE owner_id = ?', [id], runner)
}

const colleagueSchema = memberSchema.extend({
  mail: z.string().nullable(),
  has_code: z.number(),
  seen_at: z.date().nullable(),
})

/** Whoever is in a team, as its owner sees them: with mail address, second factor, and when they were here last. */
export async function manyColleagues(teamId: string) {
  const rows = await many(
    'colleagues',
    `SELECT d.id, d.team_id, d.name, d.role, a.mail, a.code_key IS NOT NULL AS has_code,
      (SELECT MAX(s.seen_at) FROM sign_in s WHERE s.designer_id = d.id) AS seen_at
      FROM designer d LEFT JOIN account a ON a.designer_id = d.id
      WHERE d.team_id = ? AND d.left_at IS NULL AND ${members('d.role')} ORDER BY d.name, d.id LIMIT 500`,
    [teamId],
  )
  return rows.map((row) => {
    const { id, name, role, mail, has_code, seen_at } = colleagueSchema.parse(row)
    return { id, name, role, mail, hasCode: has_code === 1, seenAt: seen_at }
  })
}
