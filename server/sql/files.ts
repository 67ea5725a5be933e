import { z } from 'zod'
import { maybeOne, run } from '../database'

/** What a kept file is, as it is told to a browser. */
export const mediaTypes = ['image/png', 'image/jpeg', 'image/vnd.dxf'] as const
export type MediaType = (typeof mediaTypes)[number]

const rowSchema = z.object({ media_type: z.enum(mediaTypes), body: z.instanceof(Buffer) })

/** A file's bytes; a drawing's are gzipped. */
export interface FileRow {
  readonly mediaType: MediaType
  readonly body: Buffer
}

export async function maybeOneFile(teamId: string, id: string): Promise<FileRow | undefined> {
  const row = await maybeOne('file', 'SELECT media_type, body FROM file WHERE team_id = ? AND id = ?', [
    teamId,
    id,
  ])
  if (!row) return undefined
  const { media_type, body } = rowSchema.parse(row)
  return { mediaType: media_type, body }
}

/** Stored once; the same file again changes nothing. */
export const insertFile = (teamId: string, id: string, { mediaType, body }: FileRow) =>
  run(
    'insert file',
    'INSERT INTO file (team_id, id, media_type, size_bytes, body) VALUES (?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE media_type = media_type',
    [teamId, id, mediaType, body.length, body],
  )

/** What a team's files take, bytes. */
export async function oneFilesSize(teamId: string): Promise<number> {
  const row = await maybeOne(
    'size of files',
    'SELECT COALESCE(SUM(size_bytes), 0) AS size FROM file WHERE team_id = ?',
    [teamId],
  )
  return z.object({ size: z.coerce.number() }).parse(row).size
}
