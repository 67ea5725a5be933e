import { z } from 'zod'
import { type Letterhead, usualColour } from '@/core/papers/letterhead'
import { maybeOne, run, type Runner } from '../database'

const textsSchema = z.object({
  name: z.string(),
  licence: z.string(),
  postal: z.string(),
  phone: z.string(),
  mail: z.string(),
  web: z.string(),
  colour: z.string(),
})

/** A team's texts and colour: until they are said, its name alone; undefined where there is no such team. */
export async function maybeOneLetterhead(teamId: string): Promise<Letterhead | undefined> {
  const row = await maybeOne(
    'letterhead',
    `SELECT COALESCE(l.name, t.name) AS name, COALESCE(l.licence, '') AS licence, COALESCE(l.postal, '') AS postal,
      COALESCE(l.phone, '') AS phone, COALESCE(l.mail, '') AS mail, COALESCE(l.web, '') AS web,
      COALESCE(l.colour, ?) AS colour
    FROM team t LEFT JOIN letterhead l ON l.team_id = t.id WHERE t.id = ?`,
    [usualColour, teamId],
  )
  return row && textsSchema.parse(row)
}

const logoSchema = z.object({ logo: z.instanceof(Buffer), logo_type: z.string() })

/** A team's logo, where it has one. */
export async function maybeOneLogo(teamId: string): Promise<Logo | undefined> {
  const row = await maybeOne(
    'logo',
    'SELECT logo, logo_type FROM letterhead WHERE team_id = ? AND logo IS NOT NULL',
    [teamId],
  )
  if (!row) return undefined
  const { logo, logo_type: mediaType } = logoSchema.parse(row)
  return { bytes: logo, mediaType }
}

export interface Logo {
  readonly bytes: Buffer
  readonly mediaType: string
}

/** Keeps a team's texts and colour; its logo stays. */
export const saveLetterhead = (
  teamId: string,
  { name, licence, postal, phone, mail, web, colour }: Letterhead,
  runner?: Runner,
) =>
  run(
    'save letterhead',
    `INSERT INTO letterhead (team_id, name, licence, postal, phone, mail, web, colour) VALUES (?, ?, ?, ?, ?, ?, ?, ?)
    ON DUPLICATE KEY UPDATE name = VALUES(name), licence = VALUES(licence), postal = VALUES(postal),
      phone = VALUES(phone), mail = VALUES(mail), web = VALUES(web), colour = VALUES(colour)`,
    [teamId, name, licence, postal, phone, mail, web, colour],
    runner,
  )

/** Keeps a team's logo, or none; a team without a letterhead has one from now on, by its name. */
export const saveLogo = (teamId: string, logo: Logo | null, runner?: Runner) =>
  run(
    'save logo',
    `INSERT INTO letterhead (team_id, name, colour, logo, logo_type)
      SELECT id, name, ?, ?, ? FROM team WHERE id = ?
    ON DUPLICATE KEY UPDATE logo = VALUES(logo), logo_type = VALUES(logo_type)`,
    [usualColour, logo?.bytes ?? null, logo?.mediaType ?? null, teamId],
    runner,
  )
