import { NextResponse } from 'next/server'
import { largestModelBytes } from '@/core/imports/model/mesh'
import { readModelFile } from '@/server/compute/compute'
import { readBytes, route } from '@/server/respond'

/** Reads a 3D model (OBJ, glTF, IFC) as triangles light enough for a job; nothing of it is kept here. */
export const POST = route('POST /api/models', async ({ request }) => {
  const { positions, indices, ...rest } = await readModelFile(
    await readBytes(request, largestModelBytes),
    request.signal,
  )
  return NextResponse.json({ ...rest, positions: [...positions], indices: [...indices] })
})
