import { quantile, Report, rounded } from './report'
import { Visitor } from './visitor'
import { many, run, transaction, closeDatabase } from '@/server/database'

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
          `INSERT INTO job (id, team_id, name, address) VALUES ${Array.from({ length: Math.min(rows, count - at) }, () => '(UUID(), ?, ?, ?)').join(', ')}`,
          Array.from({ length: Math.min(rows, count - at) }, (_, k) => [
            teamId,
            `Customer ${at + k}`,
            `${(at + k) % 97} ${['Tern', 'Elm', 'Beech', 'Olmo'][(at + k) % 4]} Street, Pellworth`,
          ]).flat(),
          runner,
        ),
      )
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
    const search = await timed('/?q=Customer%20199')
    report.say(`start page ${rounded(page)} ms, search ${rounded(search)} ms (medians)`)
    report.holds('start page under 150 ms', page < 150)
    report.holds('search under 100 ms', search < 100)
    return report
  } finally {
    await closeDatabase()
  }
}
