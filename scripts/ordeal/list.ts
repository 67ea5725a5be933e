import { jobStatuses } from '@/core/model/job-status'
import { quantile, Report, rounded } from './report'
import { Visitor } from './visitor'
import { writeMissingWords } from '@/server/sql/job-words'
import { many, run, transaction, closeDatabase } from '@/server/database'

/** What is looked for, from the rare to what nearly every job has. */
const searches = [
  ['part of a name', 'q=Customer%20199'],
  ['words of notes, one job', 'q=gate%2019999'],
  ['words of notes, a sixth of the jobs', 'q=inverter%20garage'],
  ['a word that every job has', 'q=meter'],
  ['a common word and a rare one', 'q=meter%2019999'],
  ['nothing', 'q=zebra'],
  ['a status and a tag', 'status=offered&tag=flat%20roof'],
  ['next steps', 'by=next-step'],
  ['a late page', 'page=390'],
] as const

/** A list of very many jobs: the start page and its search at the server. */
export async function list(count: number, address: string, databaseUrl: string): Promise<Report> {
  const report = new Report(`${count} jobs in the list`)
  process.env['DATABASE_URL'] = databaseUrl
  try {
    const [team] = await many('team', 'SELECT id FROM team LIMIT 1')
    const teamId = String(team?.['id'])
    const rows = 500
    for (let at = 0; at < count; at += rows)
      await transaction('many jobs', (runner) =>
        run(
          'many jobs',
          `INSERT INTO job (id, team_id, name, address, status, tags, notes, next_step, next_on) VALUES ${Array.from({ length: Math.min(rows, count - at) }, () => '(UUID(), ?, ?, ?, ?, ?, ?, ?, CURRENT_DATE + INTERVAL ? DAY)').join(', ')}`,
          Array.from({ length: Math.min(rows, count - at) }, (_, k) => [
            teamId,
            `Customer ${at + k}`,
            `${(at + k) % 97} ${['Tern', 'Elm', 'Beech', 'Olmo'][(at + k) % 4]} Street, Pellworth`,
            jobStatuses[(at + k) % jobStatuses.length] ?? 'lead',
            ['South', 'South, flat roof', 'battery', ''][(at + k) % 4] ?? '',
            `Wants the ${['battery', 'inverter'][k % 2]} in the ${['cellar', 'garage', 'hall'][k % 3]}; gate ${at + k}`,
            'Ring about the meter',
            (at + k) % 400,
          ]).flat(),
          runner,
        ),
      )
    while ((await writeMissingWords()) > 0);
    const visitor = new Visitor(address)
    await visitor.enter()
    const timed = async (path: string) => {
      const times: number[] = []
      for (let k = 0; k < 15; k++) {
        const begin = performance.now()
        await (await visitor.ask(path)).text()
        if (k >= 5) times.push(performance.now() - begin)
      }
      return quantile(times, 0.5)
    }
    const page = await timed('/')
    report.say(`start page ${rounded(page)} ms (medians, here and below)`)
    report.holds('start page under 150 ms', page < 150)
    for (const [what, query] of searches) {
      const ms = await timed(`/?${query}`)
      report.say(`${what}: ${rounded(ms)} ms`)
      report.holds(`${what} under 100 ms`, ms < 100)
    }
    return report
  } finally {
    await closeDatabase()
  }
}
