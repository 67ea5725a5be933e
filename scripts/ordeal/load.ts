import { setTimeout as pause } from 'node:timers/promises'
import { Worker } from 'node:worker_threads'
import { jobToFile } from '@/core/kinds/job'
import { defaultRack } from '@/core/kinds/rack/rack'
import { shippedFile, shippedJob } from './shipped'
import { quantile, Report, rounded } from './report'
import { Visitor } from './visitor'

/** The heaviest jobs there are, ten imports and five offers printed, while somebody asks whether the server lives. */
export async function load(address: string): Promise<Report> {
  const report = new Report('Whether the server lives, under the heaviest work there is')
  const visitor = new Visitor(address)
  await visitor.enter()
  const shipped = shippedFile()
  const job = await visitor.import(shipped)
  const heavy = await visitor.import(heaviest(300, 2))
  const large = await visitor.import(heaviest(2, 1))
  // Once each: what a process loads the first time it is asked is no work of theirs.
  const first = (await (await visitor.send(`/api/jobs/${job}/offers`, { optionId: 'option-a' })).json()) as {
    path: string
  }
  for (const path of ['/', `/jobs/${job}`, first.path, `${first.path}/pdf`])
    await (await visitor.ask(path)).text()
  await pause(3000)
  const quiet = await asked(address, () => pause(3000))
  const busy = await asked(address, async () => {
    const offers = Promise.all(
      Array.from({ length: 5 }, async () => {
        const answer = await visitor.send(`/api/jobs/${job}/offers`, { optionId: 'option-a' })
        const { path } = (await answer.json()) as { path: string }
        return (await visitor.ask(`${path}/pdf`)).status
      }),
    )
    const imports = Promise.all(Array.from({ length: 10 }, () => visitor.import(shipped)))
    const tooHeavy = visitor.send(`/api/jobs/${heavy}/offers`, { optionId: 'option-a' })
    const slow = visitor.send(`/api/jobs/${large}/offers`, { optionId: 'option-a' })
    // The list asks for figures of them all.
    await visitor.ask('/')
    const statuses = await offers
    await imports
    report.say(
      `${(await tooHeavy).status} for 300 trees and two racks of 40 × 60, ${(await slow).status} for one rack and two trees`,
    )
    report.holds(
      'five offers printed at once all arrive',
      statuses.every((status) => status === 200),
    )
    report.holds('what is beyond the server is said so', (await tooHeavy).status === 422)
    report.holds('what is not is served', (await slow).status === 201)
  })
  const lag = await (await visitor.ask('/metrics')).text()
  for (const [, what, seconds] of lag.matchAll(/nodejs_eventloop_lag_(p\d+|max|mean)_seconds ([\d.e+-]+)/g))
    report.say(`event loop, ${what}: ${rounded(Number(seconds) * 1000)} ms`)
  const figures = (times: number[]) =>
    `${rounded(quantile(times, 0.5))} ms (median), ${rounded(quantile(times, 0.99))} ms (99th percentile), ${rounded(Math.max(...times))} ms (longest), ${times.length} times`
  report.say(`/health at rest: ${figures(quiet)}`)
  report.say(`/health under load: ${figures(busy)}`)
  report.holds('/health answers within 50 ms at the 99th percentile', quantile(busy, 0.99) < 50)
  return report
}

/** Times of `/health` while something else goes on, asked from a thread of its own. */
async function asked(address: string, meanwhile: () => Promise<unknown>): Promise<number[]> {
  const prober = new Worker(new URL('prober.mjs', import.meta.url), { workerData: `${address}/health` })
  const times = new Promise<number[]>((done, failed) => {
    prober.once('message', done)
    prober.once('error', failed)
  })
  await meanwhile()
  prober.postMessage('stop')
  return times
}

/** The shipped house among so many trees, with racks of the largest size. */
function heaviest(trees: number, racks: number): object {
  const job = shippedJob()
  const tree = job.house['tree-1']
  const [first] = job.options
  if (tree?.kind !== 'tree' || !first) throw new Error('the shipped job has a tree and an option')
  const more = Object.fromEntries(
    Array.from({ length: trees }, (_, k) => {
      const id = `tree-x${k}`
      const center = [((k * 37) % 120) - 60, ((k * 53) % 110) - 60] as const
      return [id, { ...tree, id, center }]
    }),
  )
  const large = Object.fromEntries(
    Array.from({ length: racks }, (_, k) => {
      const id = `rack-x${k}`
      return [
        id,
        {
          ...defaultRack,
          id,
          name: id,
          azimuthDeg: 180,
          center: [k * 180 - 60, -60] as const,
          rows: 40,
          columns: 60,
        },
      ]
    }),
  )
  return jobToFile({
    ...job,
    name: `${trees} trees and ${racks} racks`,
    house: { ...job.house, ...more },
    options: [{ ...first, objects: { ...first.objects, ...large } }],
  })
}
