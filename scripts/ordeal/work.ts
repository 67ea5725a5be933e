import { setTimeout as pause } from 'node:timers/promises'
import mysql, { type RowDataPacket } from 'mysql2/promise'
import { seededRandom } from '@/core/model/random'
import { startTestServer } from '../parts/test-server.mjs'
import { quantile, Report, rounded } from './report'
import { shippedFile } from './shipped'
import { Visitor } from './visitor'

/**
 * The process that does long work, killed at random moments while jobs are imported, offers sent and printed: whoever asked
 * has what they asked for, once, however often it was begun.
 */
export async function work(times: number): Promise<Report> {
  const report = new Report(`Long work with its worker killed ${times} times`)
  const random = seededRandom(31)
  const server = await startTestServer('ordeal-work')
  const database = await mysql.createConnection(server.databaseUrl)
  try {
    const visitor = new Visitor(server.address)
    await visitor.enter()
    const shipped = shippedFile() as Readonly<Record<string, unknown>>
    const sold = await visitor.import(shipped)
    const waits: number[] = []
    const wrong: number[] = []
    let isOver = false
    const timed = async (ask: () => Promise<Response>, right: number): Promise<Response> => {
      const at = performance.now()
      const answer = await ask()
      waits.push(performance.now() - at)
      if (answer.status !== right) wrong.push(answer.status)
      return answer
    }
    const names: string[] = []
    const importing = async (who: number) => {
      for (let n = 0; !isOver; n++) {
        const name = `Imported ${who} ${n}`
        names.push(name)
        await timed(() => visitor.send('/api/jobs/import', { ...shipped, name }), 201)
        // No more than one designer may import in a minute, all three together.
        await pause(4000)
      }
    }
    let offers = 0
    const offering = async () => {
      while (!isOver) {
        const sent = await timed(
          () => visitor.send(`/api/jobs/${sold}/offers`, { optionId: 'option-a' }),
          201,
        )
        offers++
        const { path } = (await sent.json()) as { readonly path: string }
        const pdf = await timed(() => visitor.ask(`${path}/pdf`), 200)
        if (!(await pdf.text()).startsWith('%PDF')) wrong.push(0)
      }
    }
    const working = Promise.all([importing(1), importing(2), importing(3), offering()])
    for (let k = 0; k < times; k++) {
      // A worker needs a while to begin: what is never given the time to be done is set aside, and rightly.
      await pause(8000 + random() * 12_000)
      server.killWorker()
      await pause(random() * 1000)
      server.startWorkerAgain()
    }
    isOver = true
    await working
    const [jobs] = await database.query<RowDataPacket[]>(
      `SELECT name, COUNT(*) AS times FROM job WHERE name LIKE 'Imported %' GROUP BY name`,
    )
    const [[shares]] = await database.query<RowDataPacket[]>('SELECT COUNT(*) AS sent FROM share')
    const [[aside]] = await database.query<RowDataPacket[]>(
      `SELECT COUNT(*) AS pieces FROM work WHERE state = 'aside'`,
    )
    report.say(
      `${names.length} imports, ${offers} offers sent and printed: answered after ${rounded(quantile(waits, 0.5))} ms (median), ${rounded(Math.max(...waits))} ms (longest)`,
    )
    report.holds(`everything asked for was answered well ${wrong.join(' ')}`.trim(), wrong.length === 0)
    report.holds(
      'each import is there once',
      jobs.length === names.length && jobs.every((job) => Number(job['times']) === 1),
    )
    report.holds('each offer was sent once', Number(shares?.['sent']) === offers)
    report.holds('nothing was set aside', Number(aside?.['pieces']) === 0)
    return report
  } finally {
    await database.end()
    await server.stop()
  }
}
