import { randomUUID } from 'node:crypto'
import { chromium, type CDPSession, type Page } from 'playwright-core'
import { versionsIn } from '@/core/kinds/film'
import { type AnyObject } from '@/core/kinds/index'
import { many, run, transaction, closeDatabase } from '@/server/database'
import { quantile, Report, rounded } from './report'

/** Steps that are scrubbed, one a frame of the screen. */
const steps = 400

/** A log of very many edits: read by a screen, and scrubbed. */
export async function history(count: number, address: string, databaseUrl: string): Promise<Report> {
  const report = new Report(`A history of ${count} edits`)
  process.env['DATABASE_URL'] = databaseUrl
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--use-gl=angle', '--use-angle=gl-egl', '--ignore-gpu-blocklist'],
  })
  try {
    const jobId = await writeLog(count)
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: address })
    await page.goto('/')
    await page.goto(`/jobs/${jobId}`)
    await page.locator('section[aria-label="Ledger"][data-fresh="true"]').waitFor({ timeout: 60_000 })
    const begin = performance.now()
    await page.getByRole('button', { name: 'History', exact: true }).click()
    await page.getByRole('button', { name: 'One edit back' }).and(page.locator(':enabled')).waitFor()
    const first = performance.now() - begin
    await page.getByText(/edits read/).waitFor({ state: 'detached', timeout: 120_000 })
    report.say(
      `the last edits after ${rounded(first)} ms, all after ${rounded(performance.now() - begin)} ms`,
    )
    // What the compiler of this script puts into functions is not there in the page.
    await page.evaluate('globalThis.__name = (f) => f')
    const session = await page.context().newCDPSession(page)
    await session.send('Performance.enable')
    const begun = await scriptMs(session)
    const times = await page.evaluate(scrub, steps)
    const thread = ((await scriptMs(session)) - begun) / steps
    const mean = times.reduce((sum, ms) => sum + ms, 0) / times.length
    report.say(
      `${steps} steps, each with its picture: ${rounded(1000 / mean)} a second, a step ${rounded(quantile(times, 0.5))} ms (median), ${rounded(quantile(times, 0.95))} ms (p95); scripts of the page ${rounded(thread)} ms a step`,
    )
    const far = await page.evaluate(scrub, 1)
    report.say(`to the very first moment and back: ${rounded(far[0] ?? NaN)} ms`)
    const passed = await play(page, 6000)
    report.say(
      `played: ${rounded(passed.edits)} edits a second, ${rounded(passed.pictures)} pictures a second`,
    )
    report.holds('all of them can be gone back to', passed.of === count)
    report.holds('30 edits a second', passed.edits >= 30)
    return report
  } finally {
    await browser.close()
    await closeDatabase()
  }
}

/** A tree that is moved to and fro, and the log of it. */
async function writeLog(count: number): Promise<string> {
  const [row] = await many(
    'a job',
    `SELECT job_id, body FROM document WHERE id = 'house' AND body LIKE '%"tree"%' LIMIT 1`,
  )
  const jobId = String(row?.['job_id'])
  const body: unknown = row?.['body']
  const house = (typeof body === 'string' ? JSON.parse(body) : body) as Record<string, AnyObject>
  const tree = Object.values(house).find(({ kind }) => kind === 'tree')
  const [designer] = await many('a designer', 'SELECT id FROM designer LIMIT 1')
  if (tree?.kind !== 'tree') throw new Error('The shipped job has a tree.')
  const { center } = tree
  // The last one leaves it where it stands.
  const at = (n: number): AnyObject => ({
    ...tree,
    center: [center[0] + ((count - n) % 40) / 10, center[1]],
  })
  const rows = 500
  for (let from = 0; from < count; from += rows)
    await transaction('log', (runner) =>
      run(
        'log',
        `INSERT INTO edit (id, job_id, document_id, revision, job_revision, position, designer_id, body, kinds) VALUES ${Array.from({ length: rows }, () => "(?, ?, 'house', ?, ?, 0, ?, ?, ?)").join(', ')}`,
        Array.from({ length: rows }, (_, k) => {
          const n = from + k
          const change = { added: {}, removed: {}, updated: { [tree.id]: [at(n), at(n + 1)] as const } }
          return [
            randomUUID(),
            jobId,
            n + 2,
            n + 2,
            String(designer?.['id']),
            JSON.stringify(change),
            JSON.stringify(versionsIn(change)),
          ]
        }).flat(),
        runner,
      ),
    )
  await run('revision', 'UPDATE job SET revision = ? WHERE id = ?', [count + 1, jobId])
  await run('revision', `UPDATE document SET revision = ? WHERE job_id = ? AND id = 'house'`, [
    count + 1,
    jobId,
  ])
  return jobId
}

/** Moves the handle of the film one step after the other, one a frame; one step alone goes to the very beginning. */
async function scrub(count: number): Promise<number[]> {
  const slider = document.querySelector<HTMLInputElement>('input[type="range"][aria-label="Moment"]')
  if (!slider) throw new Error('The film has a handle.')
  const frame = () => new Promise((done) => requestAnimationFrame(done))
  const to = async (value: number) => {
    // Past React, which remembers what it has set itself.
    Reflect.set(HTMLInputElement.prototype, 'value', String(value), slider)
    slider.dispatchEvent(new Event('input', { bubbles: true }))
    await frame()
    await frame()
  }
  const last = Number(slider.max)
  await to(last - 1)
  const times: number[] = []
  for (let k = 1; k <= count; k++) {
    const begin = performance.now()
    await to(count === 1 ? 0 : last - 1 - k)
    times.push(performance.now() - begin)
  }
  await to(last)
  return times
}

/** Time that the page's scripts have taken so far, ms. */
async function scriptMs(session: CDPSession): Promise<number> {
  const { metrics } = await session.send('Performance.getMetrics')
  return 1000 * (metrics.find(({ name }) => name === 'ScriptDuration')?.value ?? NaN)
}

/** Plays the film from its beginning for a while: what passes in a second. */
async function play(page: Page, ms: number) {
  const moment = page.getByRole('slider', { name: 'Moment' })
  await moment.press('Home')
  await page.evaluate(() => {
    const counter = globalThis as { pictures?: number }
    counter.pictures = 0
    const slider = document.querySelector<HTMLInputElement>('input[type="range"][aria-label="Moment"]')
    let last = slider?.value
    requestAnimationFrame(function look() {
      if (slider?.value !== last) counter.pictures = (counter.pictures ?? 0) + 1
      last = slider?.value
      requestAnimationFrame(look)
    })
  })
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  const begin = performance.now()
  await page.waitForTimeout(ms)
  const edits = Number(await moment.inputValue())
  const pictures = await page.evaluate(() => (globalThis as { pictures?: number }).pictures ?? 0)
  const seconds = (performance.now() - begin) / 1000
  const of = Number(await moment.getAttribute('max'))
  return { of, edits: edits / seconds, pictures: pictures / seconds }
}
