import { NextResponse } from 'next/server'
import { route } from '@/server/respond'

export const dynamic = 'force-dynamic'

/** Answers as long as the application lives; what else it needs is asked at `/ready`. */
export const GET = route('GET /health', () => Promise.resolve(NextResponse.json({ ok: true })))
