import { NextResponse, type NextRequest } from 'next/server'
import { z } from 'zod'
import { idSchema } from '@/core/model/object-base'
import { parseChange, saveEdits } from '@/server/jobs'
import { asDesigner, readBody } from '@/server/respond'

const objectsSchema = z.record(z.string(), z.unknown())

const bodySchema = z.strictObject({
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

/** Takes the outbox's edits; answers what is stored and what met somebody else's change. */
export const POST = (request: NextRequest, { params }: { readonly params: Promise<{ id: string }> }) =>
  asDesigner(request, async (who) => {
    const { edits } = await readBody(request, bodySchema)
    const parsed = edits.map((edit, index) => ({
      ...edit,
      change: parseChange(edit.change, `edits.${index}.change`),
    }))
    return NextResponse.json(await saveEdits(who, (await params).id, parsed))
  })
