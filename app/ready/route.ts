import { NextResponse } from 'next/server'
import { many } from '@/server/database'
import { route } from '@/server/respond'
import { migrationFiles } from '@/server/migrate'

export const dynamic = 'force-dynamic'

/** Answers when the database does, and is as new as this application. */
export const GET = route('GET /ready', async () => {
  const ran = new Set(
    (await many('migrations', 'SELECT name FROM migration')).map((row) => String(row['name'])),
  )
  const missing = migrationFiles().filter((name) => !ran.has(name))
  return NextResponse.json(
    { ok: missing.length === 0, missing },
    { status: missing.length === 0 ? 200 : 503 },
  )
})
