import { NextResponse } from 'next/server'
import { dataOf } from '@/server/accounts/personal-data'
import { route } from '@/server/respond'

/** All that is kept of whoever asks, as a file. */
export const GET = route('GET /api/account/export', async ({ who }) =>
  NextResponse.json(await dataOf(who), {
    headers: { 'Content-Disposition': 'attachment; filename="my-data.json"' },
  }),
)
