import { NextResponse } from 'next/server'
import { wayBack } from '@/server/accounts/way-back'
import { hasAccounts } from '@/server/hosts'
import { route } from '@/server/respond'
import { enterAsLocalDesigner } from '@/server/session'

export const dynamic = 'force-dynamic'

const goOn = (Location: string) => new NextResponse(null, { status: 303, headers: { Location } })

/** Signs in the designer of this machine and goes on to what was asked for; where people sign in, they do so first. */
export const GET = route('GET /enter', async ({ request }) => {
  const to = wayBack(request.nextUrl.searchParams.get('to'))
  if (hasAccounts()) return goOn(to === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(to)}`)
  if (await enterAsLocalDesigner()) return goOn(to)
  return new NextResponse('Open this server under its loopback address: it is for its own machine.', {
    status: 403,
  })
})
