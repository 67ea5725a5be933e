import { jobToFile } from '@/core/kinds/job'
import { sheetsOf } from '@/core/stages/equipment'
import { filesWith, withFiles } from '@/server/files'
import { loadJob } from '@/server/jobs'
import { route } from '@/server/respond'
import { weatherWith } from '@/server/weather'
import { knownCatalogue } from '@/server/world'

/** The job's own JSON as a file. */
export const GET = route<'GET /api/jobs/[id]/export', { id: string }>(
  'GET /api/jobs/[id]/export',
  async ({ params, who }) => {
    const { job } = await loadJob(who.teamId, params.id)
    const weather = await weatherWith(who.teamId, job)
    // While the world is away the file goes without data sheets.
    const catalogue = await knownCatalogue()
    const sheets = catalogue && sheetsOf(job, catalogue)
    const name = job.name.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'job'
    const files = await filesWith(who.teamId, job)
    return new Response(withFiles(JSON.stringify(jobToFile(job, weather, sheets), null, 2), files), {
      headers: {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': `attachment; filename="job.json"; filename*=UTF-8''${encodeURIComponent(name)}.json`,
      },
    })
  },
)
