import { NextResponse } from 'next/server'
import { nameVersion, newVersionSchema } from '@/server/history'
import { readBody, route } from '@/server/respond'

/** Gives a moment of a job's past a name. */
export const POST = route<'POST /api/jobs/[id]/versions', { id: string }>(
  'POST /api/jobs/[id]/versions',
  async ({ request, params, who }) => {
    const version = await readBody(request, newVersionSchema)
    await nameVersion(who, params.id, version)
    return NextResponse.json({ id: version.id }, { status: 201 })
  },
)
