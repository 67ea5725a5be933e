import { z } from 'zod'
import { readBody, route } from '@/server/respond'
import { removePresence, touchPresence } from '@/server/sql/live'

const bodySchema = z.strictObject({
  screen: z.uuid(),
  selection: z.string().max(200).nullable(),
  /** The screen is being closed. */
  leaving: z.boolean().optional(),
})

/** A screen says that it is there and what is selected on it, every few seconds. */
export const POST = route<'POST /api/jobs/[id]/presence', { id: string }>(
  'POST /api/jobs/[id]/presence',
  async ({ request, params, who }) => {
    const { screen, selection, leaving } = await readBody(request, bodySchema)
    if (leaving) await removePresence(who.id, params.id, screen)
    else await touchPresence(who.teamId, params.id, screen, who.id, selection)
    return new Response(null, { status: 204 })
  },
)
