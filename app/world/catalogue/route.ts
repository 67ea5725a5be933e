import { NextResponse } from 'next/server'
import { catalogue } from '@/town/equipment'

/** The made-up equipment. */
export async function GET(): Promise<Response> {
  return NextResponse.json(catalogue, { headers: { 'Cache-Control': 'public, max-age=300' } })
}
