import { NextResponse, type NextRequest } from 'next/server'
import { z } from 'zod'
import { idSchema } from '@/core/model/object-base'
import { shareOption } from '@/server/shares'
import { asDesigner, readBody } from '@/server/respond'

const bodySchema = z.strictObject({ optionId: idSchema })

/** A new link to the proposal of one option. */
export const POST = (request: NextRequest, { params }: { readonly params: Promise<{ id: string }> }) =>
  asDesigner(request, async (who) => {
    const { optionId } = await readBody(request, bodySchema)
    const token = await shareOption(who.teamId, (await params).id, optionId)
    return NextResponse.json({ path: `/offer/${token}` }, { status: 201 })
  })
