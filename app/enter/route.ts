import { NextResponse } from 'next/server'
import { enterAsLocalDesigner } from '@/server/session'

export const dynamic = 'force-dynamic'

/** Signs in the designer of this machine and goes to the start page. */
export async function GET(): Promise<Response> {
  if (await enterAsLocalDesigner()) return new NextResponse(null, { status: 303, headers: { Location: '/' } })
  return new NextResponse(
    'This server asks for a sign-in that is not set up here. Open it under its loopback address.',
    { status: 403 },
  )
}
