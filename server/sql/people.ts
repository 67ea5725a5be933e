import { z } from 'zod'
import { many, maybeOne, run, type Runner } from '../database'

const designerSchema = z.object({ id: z.string(), team_id: z.string(), name: z.string() })

export interface Designer {
  readonly id: string
  readonly teamId: string
  readonly name: string
}

const toDesigner = (row: unknown): Designer => {
  const { id, team_id, name } = designerSchema.parse(row)
  return { id, teamId: team_id, name }
}

export async function maybeOneDesigner(id: string): Promise<Designer | undefined> {
  const row = await maybeOne('designer', 'SELECT id, team_id, name FROM designer WHERE id = ?', [id])
  return row && toDesigner(row)
}

/** The designer that was there first: the one who works when nobody else was set up. */
export async function maybeOneFirstDesigner(): Promise<Designer | undefined> {
  const row = await maybeOne(
    'first designer',
    'SELECT id, team_id, name FROM designer ORDER BY created_at, id LIMIT 1',
  )
  return row && toDesigner(row)
}

/** The designers of a team by their names. */
export async function manyDesigners(teamId: string): Promise<Designer[]> {
  const rows = await many(
    'designers of a team',
    'SELECT id, team_id, name FROM designer WHERE team_id = ? ORDER BY name, id LIMIT 500',
    [teamId],
  )
  return rows.map(toDesigner)
}

export const insertTeam = (id: string, name: string, runner: Runner) =>
  run('insert team', 'INSERT INTO team (id, name) VALUES (?, ?)', [id, name], runner)

export const insertDesigner = (id: string, teamId: string, name: string, runner: Runner) =>
  run(
    'insert designer',
    'INSERT INTO designer (id, team_id, name) VALUES (?, ?, ?)',
    [id, teamId, name],
    runner,
  )
