import { NextResponse } from 'next/server'
import { many } from '@/server/database'
import { failure } from '@/server/respond'

export const dynamic = 'force-dynamic'

/** Answers when the application and its database do. */
export async function GET(): Promise<Response> {
  try {
    await many('health', 'SELECT 1')
    return NextResponse.json({ ok: true })
  } catch (error) {
    return failure(error)
  }
}
