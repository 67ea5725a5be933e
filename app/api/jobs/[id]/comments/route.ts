import { NextResponse } from 'next/server'
import { commentsOf, newCommentSchema, sayComment } from '@/server/comments'
import { readBody, route } from '@/server/respond'

/** What was said of a job. */
export const GET = route<'GET /api/jobs/[id]/comments', { id: string }>(
  'GET /api/jobs/[id]/comments',
  async ({ params, who }) => NextResponse.json({ comments: await commentsOf(who, params.id) }),
)

/** Says something of a job, or answers. */
export const POST = route<'POST /api/jobs/[id]/comments', { id: string }>(
  'POST /api/jobs/[id]/comments',
  async ({ request, params, who }) => {
    await sayComment(who, params.id, await readBody(request, newCommentSchema))
    return NextResponse.json({ ok: true }, { status: 201 })
  },
)
