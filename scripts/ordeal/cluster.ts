import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { seededRandom } from '@/core/model/random'
import { Cluster, type ClusterPart } from '../parts/cluster.mjs'
import { compare, threeClients, until } from './clients'
import { quantile, Report, rounded } from './report'
import { Visitor } from './visitor'

/** What is killed, in turn: one of two applications, of two workers or of three databases, the proxy, all databases at once. */
const turns: readonly (readonly [ClusterPart, number])[] = [
  ['app', 0],
  ['node', 0],
  ['worker', 0],
  ['app', 1],
  ['node', 1],
  ['proxy', 0],
  ['node', 2],
  ['nodes', 0],
]

/** A cluster on this machine whose parts are killed under three editing clients: nothing acknowledged is lost. */
export async function cluster(times: number): Promise<Report> {
  const report = new Report(`A cluster with parts killed ${times} times under three editing clients`)
  const random = seededRandom(17)
  const folder = mkdtempSync(join(tmpdir(), 'tall-gable-cluster-'))
  const running = new Cluster(folder)
  try {
    await running.start()
    const visitor = new Visitor(running.address)
    await visitor.enter()
    const { jobId, clients } = await threeClients(visitor, random)
    const working = Promise.all(clients.map((client) => client.go()))
    const back = new Map<ClusterPart, number[]>()
    for (let k = 0; k < times; k++) {
      await pause(500 + random() * 2000)
      const [part, which] = turns[k % turns.length] ?? ['app', 0]
      const at = performance.now()
      running.kill(part, which)
      await until(() => Promise.resolve(clients.every((client) => client.lastAt > at + 5)), 120_000)
      back.set(part, [...(back.get(part) ?? []), performance.now() - at])
      // Before the next one is killed the first is there again: two of three hold the cluster.
      await running.whole()
    }
    for (const client of clients) client.stop()
    await working
    for (const [part, ms] of back)
      report.say(
        `${part} killed ${ms.length} times: edits go on after ${rounded(quantile(ms, 0.5))} ms (median), ${rounded(Math.max(...ms))} ms (worst)`,
      )
    await compare(report, visitor, jobId, clients)
    const sums = await running.checksums()
    report.holds('all databases hold the same', new Set(sums).size === 1)
    return report
  } finally {
    await running.stop()
    rmSync(folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 200 })
  }
}
