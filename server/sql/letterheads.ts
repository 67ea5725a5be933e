import { z } from 'zod'
import { type Letterhead, usualColour } from '@/core/papers/letterhead'
import { maybeOne, run, type Runner } from '../database'

const rowSchema = z.object({
  name: z.string(),
  licence: z.string(),
  postal: z.string(),
  phone: z.string(),
  mail: z.string(),
  web: z.string(),
  colour: z.string(),
  logo: z.instanceof(Buffer).nullable(),
  logo_type: z.string().nullable(),
})

export interface KeptLetterhead extends Letterhead {
  readonly logo: { readonly bytes: Buffer; readonly mediaType: string } | null
}

/** A team's letterhead: until there is one, its name alone; undefined where there is no such team. */
export async function maybeOneLetterhead(teamId: string): Promise<KeptLetterhead | undefined> {
  const row = await maybeOne(
    'letterhead',
    `SELECT COALESCE(l.name, t.name) AS name, COALESCE(l.licence, '') AS licence, COALESCE(l.postal, '') AS postal,
      COALESCE(l.phone, '') AS phone, COALESCE(l.mail, '') AS mail, COALESCE(l.web, '') AS web,
      COALESCE(l.colour, ?) AS colour, l.logo, l.logo_type
    FROM team t LEFT JOIN letterhead l ON l.team_id = t.id WHERE t.id = ?`,
    [usualColour, teamId],
  )
  if (!row) return undefined
  const { logo, logo_type: mediaType, ...texts } = rowSchema.parse(row)
  return { ...texts, logo: logo && mediaType !== null ? { bytes: logo, mediaType } : null }
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
export const saveLogo = (
  teamId: string,
  logo: { readonly bytes: Buffer; readonly mediaType: string } | null,
  runner?: Runner,
) =>
  run(
    'save logo',
    `INSERT INTO letterhead (team_id, name, colour, logo, logo_type)
      SELECT id, name, ?, ?, ? FROM team WHERE id = ?
    ON DUPLICATE KEY UPDATE logo = VALUES(logo), logo_type = VALUES(logo_type)`,
    [usualColour, logo?.bytes ?? null, logo?.mediaType ?? null, teamId],
    runner,
  )
