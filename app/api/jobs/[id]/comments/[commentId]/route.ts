import { NextResponse } from 'next/server'
import { z } from 'zod'
import { settleComment, takeBackComment } from '@/server/comments'
import { readBody, route } from '@/server/respond'

const bodySchema = z.strictObject({ resolved: z.boolean() })

interface Params {
  id: string
  commentId: string
}

/** Settles a thread, or opens it again. */
export const PATCH = route<'PATCH /api/jobs/[id]/comments/[commentId]', Params>(
  'PATCH /api/jobs/[id]/comments/[commentId]',
  async ({ request, params, who }) => {
    const { resolved } = await readBody(request, bodySchema)
    await settleComment(who, params.id, params.commentId, resolved)
    return NextResponse.json({ ok: true })
  },
)

/** Takes back what one has said. */
export const DELETE = route<'DELETE /api/jobs/[id]/comments/[commentId]', Params>(
  'DELETE /api/jobs/[id]/comments/[commentId]',
  async ({ params, who }) => {
    await takeBackComment(who, params.id, params.commentId)
    return NextResponse.json({ ok: true })
  },
)
