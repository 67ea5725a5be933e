import { missedFigures } from '@/server/live/figures'
import { eventStream } from '@/server/live/stream'
import { route } from '@/server/respond'

export const dynamic = 'force-dynamic'

/** New figures of the team's jobs as they are computed, those of the last moments first. */
export const GET = route('GET /api/events', async ({ request, who, isStillIn }) =>
  eventStream(request.signal, `team ${who.teamId}`, () => missedFigures(who.teamId), isStillIn),
)
