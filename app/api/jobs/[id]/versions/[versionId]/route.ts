import { NextResponse } from 'next/server'
import { unnameVersion } from '@/server/history'
import { route } from '@/server/respond'

/** Takes the name of a moment away. */
export const DELETE = route<'DELETE /api/jobs/[id]/versions/[versionId]', { id: string; versionId: string }>(
  'DELETE /api/jobs/[id]/versions/[versionId]',
  async ({ params, who }) => {
    await unnameVersion(who.teamId, params.id, params.versionId)
    return NextResponse.json({ ok: true })
  },
)
