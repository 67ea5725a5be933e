import { registry } from '@/server/metrics'
import { route } from '@/server/respond'

export const dynamic = 'force-dynamic'

/** What this process counts, in Prometheus' text form. */
export const GET = route(
  'GET /metrics',
  async () => new Response(await registry.metrics(), { headers: { 'Content-Type': registry.contentType } }),
)
