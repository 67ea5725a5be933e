import { NextResponse } from 'next/server'
import { linkSchema } from '@/server/accounts/given'
import { fromOf } from '@/server/accounts/sign-in'
import { linksOf, makeLink } from '@/server/job-links'
import { readBody, route } from '@/server/respond'

/** The links to a job that lead there. */
export const GET = route<'GET /api/jobs/[id]/links', { id: string }>(
  'GET /api/jobs/[id]/links',
  async ({ params: { id }, who }) => NextResponse.json({ links: await linksOf(who, id) }),
)

/** Makes one. */
export const POST = route<'POST /api/jobs/[id]/links', { id: string }>(
  'POST /api/jobs/[id]/links',
  async ({ request, params: { id }, who }) => {
    await makeLink(who, id, await readBody(request, linkSchema), fromOf(request.headers).place)
    return NextResponse.json({ links: await linksOf(who, id) }, { status: 201 })
  },
)
