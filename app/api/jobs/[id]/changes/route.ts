import { NextResponse } from 'next/server'
import { z } from 'zod'
import { idSchema } from '@/core/model/object-base'
import { parseChange, saveEdits } from '@/server/jobs'
import { readBody, route } from '@/server/respond'

const objectsSchema = z.record(z.string(), z.unknown())

const bodySchema = z.strictObject({
  /** The screen that sends, and the job's revision that it knows. */
  screen: z.uuid().optional(),
  since: z.number().int().min(0).optional(),
  edits: z
    .array(
      z.strictObject({
        id: z.uuid(),
        documentId: idSchema,
        change: z.strictObject({
          added: objectsSchema,
          updated: z.record(z.string(), z.tuple([z.unknown(), z.unknown()])),
          removed: objectsSchema,
        }),
      }),
    )
    .min(1)
    .max(200),
})

/** Whoever names no revision does not follow the job, and is told of nothing else. */
const nothingOlder = Number.MAX_SAFE_INTEGER

/** Takes the outbox's edits; answers what is stored, what met somebody else's change, and what happened meanwhile. */
export const POST = route<'POST /api/jobs/[id]/changes', { id: string }>(
  'POST /api/jobs/[id]/changes',
  async ({ request, params, who }) => {
    const { edits, screen = null, since = nothingOlder } = await readBody(request, bodySchema)
    const parsed = edits.map((edit, index) => ({
      ...edit,
      change: parseChange(edit.change, `edits.${index}.change`),
    }))
    return NextResponse.json(await saveEdits({ who, screenId: screen, since }, params.id, parsed))
  },
)
