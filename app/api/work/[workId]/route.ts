import { NextResponse } from 'next/server'
import { route } from '@/server/respond'
import { dropWork, retryWork } from '@/server/work/aside'

/** Has work that was set aside tried anew. */
export const POST = route<'POST /api/work/[workId]', { workId: string }>(
  'POST /api/work/[workId]',
  async ({ params: { workId }, who }) => {
    await retryWork(who.teamId, workId)
    return NextResponse.json({ ok: true })
  },
)

/** Removes work that was set aside. */
export const DELETE = route<'DELETE /api/work/[workId]', { workId: string }>(
  'DELETE /api/work/[workId]',
  async ({ params: { workId }, who }) => {
    await dropWork(who.teamId, workId)
    return NextResponse.json({ ok: true })
  },
)
