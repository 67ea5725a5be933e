import { Graph } from '@/core/graph/graph'
import { type StageTime } from '@/core/graph/run'
import { type AnyObject } from '@/core/kinds/index'
import { type Objects } from '@/core/kinds/documents'
import { summarise } from '@/core/readers/summary'
import { siteStage } from '@/core/stages/site'
import { type World } from '@/core/stages/world'
import { Surroundings } from '@/services/world-of'
import { askTown } from '@/town/ask'
import { saltmarshJob } from '@/town/shipped-job'

/** How long the chain takes after an edit of the shipped job, stage by stage, against a run from scratch. */
const rounds = 9
const job = saltmarshJob()
const first = job.options[0]?.objects ?? {}
const set = (objects: Objects, id: string, fields: object): Objects => ({
  ...objects,
  [id]: { ...objects[id], ...fields } as AnyObject,
})

const edits: Readonly<Record<string, (k: number) => [Objects, Objects]>> = {
  'a price changed': (k) => [job.house, set(first, 'offer', { pricePerWatt: 2 + k / 100 })],
  'a tree renamed': (k) => [set(job.house, 'tree-1', { name: `Tree ${k}` }), first],
  'a module deleted': (k) => [
    job.house,
    set(first, 'array-south', { removed: [`${k % 2}:${2 + (k % 5)}`, `0:${k}`] }),
  ],
  'the ridge dragged': (k) => {
    const volume = job.house['volume-1']
    if (volume?.kind !== 'volume') throw new Error('the shipped job has a house')
    return [
      set(job.house, 'volume-1', {
        edges: volume.edges.map((e) => ('gable' in e ? e : { pitchDeg: 30 + k / 3 })),
      }),
      first,
    ]
  },
}

const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN
const now = () => performance.now()
const surroundings = new Surroundings(askTown)
const fresh = () => new Graph<World>({ now })

async function timed(
  graph: Graph<World>,
  house: Objects,
  option: Objects,
): Promise<{ ms: number; stages: readonly StageTime[] }> {
  const world = await surroundings.worldOf(house, option)
  const start = now()
  const { times } = summarise(graph.open(world), world)
  return { ms: now() - start, stages: times }
}

/** How long the page's own thread takes to the new site after each round of an edit. */
async function sitesOf(edit: (k: number) => [Objects, Objects]): Promise<number[]> {
  const graph = fresh()
  graph.open(await surroundings.worldOf(job.house, first)).value(siteStage)
  const times: number[] = []
  for (let k = 1; k <= rounds; k++) {
    const world = await surroundings.worldOf(...edit(k))
    const start = now()
    graph.open(world).value(siteStage)
    times.push(now() - start)
  }
  return times
}

for (let k = 0; k < 3; k++) await timed(fresh(), job.house, first)
const whole: number[] = []
for (let k = 0; k < rounds; k++) whole.push((await timed(fresh(), job.house, first)).ms)
const scratch = median(whole)
console.log(`From scratch: ${scratch.toFixed(0)} ms (median of ${rounds})`)
const kept = fresh()
await timed(kept, job.house, first)
for (const [name, edit] of Object.entries(edits)) {
  const runs: Awaited<ReturnType<typeof timed>>[] = []
  for (let k = 1; k <= rounds; k++) runs.push(await timed(kept, ...edit(k)))
  const ms = median(runs.map((run) => run.ms))
  console.log(`\n${name}: ${ms.toFixed(1)} ms, ${(ms / scratch).toFixed(3)} of a run from scratch`)
  const site = median(await sitesOf(edit))
  console.log(`  the site, which the page works out as well: ${site.toFixed(1)} ms`)
  const stages = runs.at(-1)?.stages.filter((stage) => stage.fresh) ?? []
  for (const stage of stages)
    console.log(
      `  ${stage.name.padEnd(18)} ${stage.milliseconds.toFixed(1)} ms (${stage.fresh} of ${stage.all})`,
    )
}
