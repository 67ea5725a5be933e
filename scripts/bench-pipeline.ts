import { type AnyObject, type Objects } from '@/core/model/document'
import { Pipeline } from '@/core/pipeline/pipeline'
import { type StageTime } from '@/core/pipeline/memo'
import { saltmarshJob } from '@/town/shipped-job'
import { worldInput } from '@/town/world-input'

/** How long the pipeline takes after an edit of the shipped job, stage by stage, against a run from scratch. */
const rounds = 9
const job = saltmarshJob()
const first = job.options[0]?.objects ?? {}
const set = (objects: Objects, id: string, fields: object): Objects => ({
  ...objects,
  [id]: { ...objects[id], ...fields } as AnyObject,
})

const edits: Readonly<Record<string, (k: number) => [Objects, Objects]>> = {
  'a price changed': (k) => [job.house, set(first, 'offer', { pricePerWatt: 2 + k / 100 })],
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

function timed(
  pipeline: Pipeline,
  house: Objects,
  option: Objects,
): { ms: number; stages: readonly StageTime[] } {
  const start = performance.now()
  const { times } = pipeline.run(worldInput(house, option))
  return { ms: performance.now() - start, stages: times }
}

worldInput(job.house, first)
const kept = new Pipeline()
for (let k = 0; k < 3; k++) timed(new Pipeline(), job.house, first)
const scratch = median(Array.from({ length: rounds }, () => timed(new Pipeline(), job.house, first).ms))
console.log(`From scratch: ${scratch.toFixed(0)} ms (median of ${rounds})`)
timed(kept, job.house, first)
for (const [name, edit] of Object.entries(edits)) {
  const runs = Array.from({ length: rounds }, (_, k) => timed(kept, ...edit(k + 1)))
  const ms = median(runs.map((run) => run.ms))
  console.log(`\n${name}: ${ms.toFixed(0)} ms, ${(ms / scratch).toFixed(2)} of a run from scratch`)
  const stages = runs.at(-1)?.stages.filter((stage) => stage.fresh) ?? []
  for (const stage of stages) console.log(`  ${stage.name.padEnd(14)} ${stage.milliseconds.toFixed(1)} ms`)
}
