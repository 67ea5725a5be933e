import { Graph } from '@/core/graph/graph'
import { type AnyObject } from '@/core/kinds/index'
import { type Objects } from '@/core/kinds/documents'
import { defaultArray } from '@/core/kinds/array/array'
import { summarise } from '@/core/readers/summary'
import { type World } from '@/core/stages/world'
import { Surroundings } from '@/services/world-of'
import { askTown } from '@/town/ask'
import { saltmarshJob } from '@/town/shipped-job'

/** What one removed module costs in jobs of many modules: the time after the edit, by module. */
const counts = [100, 346, 496, 1000, 2500]
const rounds = 5
const job = saltmarshJob()
const surroundings = new Surroundings(askTown)
const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN
const now = () => performance.now()

/** A barn of one plane, wide enough for about as many modules, with the shipped job's trees around it. */
function barn(modules: number): Objects {
  const side = Math.sqrt(modules * 1.134 * 1.75)
  const [w, d] = [side * 1.35, side / 1.25]
  const house: Record<string, AnyObject> = Object.fromEntries(
    Object.values(job.house)
      .filter(({ kind }) => kind !== 'volume' && kind !== 'chimney')
      .map((object) => [object.id, object]),
  )
  house['volume-1'] = {
    id: 'volume-1',
    kind: 'volume',
    flat: null,
    name: 'Barn',
    role: 'house',
    outline: [
      [-w / 2, -d / 2],
      [w / 2, -d / 2],
      [w / 2, d / 2],
      [-w / 2, d / 2],
    ],
    eaveHeightM: 4,
    edges: [{ pitchDeg: 15 }, { gable: true }, { gable: true }, { gable: true }],
  }
  return house
}

const option = (removed: readonly string[]): Objects => ({
  ...Object.fromEntries(
    Object.entries(job.options[0]?.objects ?? {}).filter(([, object]) => object.kind !== 'array'),
  ),
  array: { ...defaultArray, id: 'array', volumeId: 'volume-1', edgeIndex: 0, removed },
})

for (const count of counts) {
  const house = barn(count)
  const graph = new Graph<World>({ now })
  const timed = async (removed: readonly string[]) => {
    const world = await surroundings.worldOf(house, option(removed))
    const start = now()
    const summary = summarise(graph.open(world), world)
    return { ms: now() - start, summary }
  }
  const first = await timed([])
  const slots = first.summary.panels.map(({ slot }) => slot)
  const edits: number[] = []
  for (let k = 0; k < rounds; k++) {
    const slot = slots[Math.floor(((k + 1) * slots.length) / (rounds + 2))]
    if (slot !== undefined) edits.push((await timed([slot])).ms)
  }
  const ms = median(edits)
  console.log(
    `${String(slots.length).padStart(5)} modules: from scratch ${(first.ms / 1000).toFixed(2)} s, ${(first.ms / slots.length).toFixed(1)} ms a module; one removed ${ms.toFixed(0)} ms, ${((ms / slots.length) * 1000).toFixed(0)} µs a module; ${(graph.bytes / 1e6).toFixed(0)} MB kept, ${(process.memoryUsage.rss() / 1e6).toFixed(0)} MB in all`,
  )
}
