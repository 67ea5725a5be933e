import { z } from 'zod'
import { log } from '@/server/log'
import { readBody, route } from '@/server/respond'

const bodySchema = z.strictObject({
  message: z.string().max(1000),
  stack: z.string().max(8000).nullable(),
  page: z.string().max(300),
})

/** What went wrong on somebody's screen, for the log. */
export const POST = route('POST /api/browser-errors', async ({ request, who }) => {
  log.error({ designer: who.id, browser: await readBody(request, bodySchema) }, 'on a screen')
  return new Response(null, { status: 204 })
})
