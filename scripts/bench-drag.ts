import { Graph } from '@/core/graph/graph'
import { type Vec2 } from '@/core/geometry/vector'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { defaultDormer } from '@/core/kinds/dormer/dormer'
import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { broadleafTransmissivity, defaultTree } from '@/core/kinds/tree/tree'
import { type Volume } from '@/core/kinds/volume/volume'
import { standingById } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { type World } from '@/core/stages/world'
import { Surroundings } from '@/services/world-of'
import { askTown } from '@/town/ask'
import { saltmarshJob } from '@/town/shipped-job'

/** How long the geometry takes at each step of a dragged grip, in a house of 15 planes, 12 obstructions and 10 trees. */
const [steps, warmUp] = [160, 40]

const outline: Vec2[] = [
  [-9, -6],
  [-3, -6],
  [-3, -3],
  [3, -3],
  [3, -6],
  [9, -6],
  [9, 6],
  [3, 6],
  [3, 3],
  [-3, 3],
  [-3, 6],
  [-9, 6],
]
const house: Volume = {
  id: 'volume-1',
  kind: 'volume',
  name: 'House',
  role: 'house',
  flat: null,
  outline,
  edges: outline.map(() => ({ pitchDeg: 32 })),
  eaveHeightM: 3.4,
}
const chimneys = Array.from({ length: 12 }, (_, i): AnyObject => ({
  ...defaultChimney,
  id: `chimney-${i}`,
  center: [-8 + 1.4 * i, i % 2 === 0 ? 1.2 : -1.2],
  rotationDeg: 0,
}))
const trees = Array.from({ length: 10 }, (_, i): AnyObject => ({
  ...defaultTree,
  id: `tree-${i}`,
  name: `Tree ${i}`,
  center: [-15 + 3.2 * i, i % 2 === 0 ? 14 : -14],
  transmissivity: broadleafTransmissivity(41.6),
}))
const dormer: AnyObject = { ...defaultDormer, form: 'hip', id: 'dormer-1', name: 'Dormer', front: [-6, 4.9] }
const shipped = saltmarshJob()
const { site, load, 'tariff-now': before, 'tariff-then': after } = shipped.house
const objects: Objects = Object.fromEntries(
  [site, load, before, after, house, dormer, ...chimneys, ...trees].flatMap((object) =>
    object ? [[object.id, object]] : [],
  ),
)
const option = shipped.options[0]?.objects ?? {}
const surroundings = new Surroundings(askTown)
const graph = new Graph<World>({ now: () => performance.now() })
const world = await surroundings.worldOf(objects, option)
const stands = graph.open(world).value(siteStage)
const planes = stands.objects.reduce((sum, { geometry }) => sum + geometry.faces.length, 0)
console.log(`${planes} planes, ${chimneys.length} obstructions, ${trees.length} trees`)

const at = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? NaN

for (const [id, name] of [
  ['volume-1', 'corner'],
  ['volume-1', 'eave'],
  ['volume-1', 'ridge'],
  ['dormer-1', 'dormer-ridge'],
  ['chimney-3', 'chimney-top'],
  ['tree-4', 'tree-top'],
] as const) {
  const object = objects[id]
  const geometry = standingById(stands, id)?.geometry
  const standing = object && kindOf(object).standing
  if (!geometry || !standing) throw new Error(`${id} does not stand there`)
  const handle = standing.handles(object, geometry).find((one) => one.name === name)
  if (!handle) throw new Error(`${id} has no grip ${name}`)
  const times: number[] = []
  for (let k = 0; k < steps; k++) {
    const way = 0.004 * (k + 1)
    const to = { heightM: handle.at[2] + way, at: [handle.at[0] - way, handle.at[1] - way] as Vec2 }
    const begin = performance.now()
    const dragged = { ...object, ...standing.drag(object, handle, to) } as AnyObject
    graph.open({ ...world, house: { ...objects, [id]: dragged } }).value(siteStage)
    if (k >= warmUp) times.push(performance.now() - begin)
  }
  console.log(
    `${name} dragged: ${at(times, 0.5).toFixed(2)} ms, at the 95th percentile ${at(times, 0.95).toFixed(2)} ms`,
  )
}
