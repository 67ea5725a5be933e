import { NextResponse } from 'next/server'
import { largestFileBytes, storeFile } from '@/server/files'
import { readBytes, route } from '@/server/respond'

/** Keeps a picture or a drawing to be laid under a model; what it is, its bytes say. */
export const POST = route('POST /api/files', async ({ request, who }) =>
  NextResponse.json(await storeFile(who.teamId, await readBytes(request, largestFileBytes)), { status: 201 }),
)
