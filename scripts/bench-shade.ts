import { BufferGeometry, Float32BufferAttribute, Ray, Vector3, DoubleSide } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { type Body } from '@/core/geometry/body'
import { newell, unit3, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { crownMeets } from '@/core/geometry/body'
import { Graph } from '@/core/graph/graph'
import { defaultArray } from '@/core/kinds/array/array'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { broadleafTransmissivity, defaultTree } from '@/core/kinds/tree/tree'
import { castOn, type CastShade } from '@/core/shade/cast'
import { type Caster, type Receiver } from '@/core/shade/engine'
import { exactShade } from '@/core/shade/receiver-shade'
import { pointsByGroup } from '@/core/shade/reference'
import { patches } from '@/core/shade/sky-patches'
import { sunTable } from '@/core/shade/sun-table'
import { beamByNode, yearByPoint } from '@/core/shade/year-light'
import { siteStage } from '@/core/stages/site'
import { type World } from '@/core/stages/world'
import { sunHours } from '@/core/sun/sun-hours'
import { Surroundings } from '@/services/world-of'
import { askTown } from '@/town/ask'
import { saltmarshJob } from '@/town/shipped-job'

/**
 * A year of shade on a house of 12 planes with 12 obstructions, 10 trees and 4 neighbours, next to a plain ray tracer over
 * the same points and times.
 */
const groups = { strips: 3, halves: 2 } as const
const shipped = saltmarshJob()
const surroundings = new Surroundings(askTown)
const latitudeDeg = 41.6
const place = { latitudeDeg, longitudeDeg: -71.4, elevationM: 0 }
const sun = sunHours(place, -5, 60)
const table = sunTable(latitudeDeg, sun, sunHours(place, -5, 15))
const clear = Float64Array.from(sun.interval, (_, entry) => 900 * (sun.direction[entry * 3 + 2] ?? 0))
const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN
const cross: readonly Vec2[] = [
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

interface Scene {
  readonly receivers: readonly Receiver[]
  readonly casters: readonly Caster[]
  readonly chimney: number
}

/** The house so large that it takes the modules. */
async function sceneFor(modules: number): Promise<Scene> {
  for (let scale = 1; scale < 20; scale *= 1.1) {
    const scene = await sceneAt(scale)
    if (scene.receivers.length >= modules) return { ...scene, receivers: scene.receivers.slice(0, modules) }
  }
  throw new Error(`no house takes ${modules} modules`)
}

async function sceneAt(scale: number): Promise<Scene> {
  const grown = (points: readonly Vec2[], k: number) => points.map(([x, y]): Vec2 => [x * k, y * k])
  const volume = (id: string, outline: readonly Vec2[], eaveHeightM: number, at: Vec2): AnyObject => ({
    id,
    kind: 'volume',
    name: id,
    role: id === 'volume-1' ? 'house' : 'neighbour',
    flat: null,
    outline: outline.map(([x, y]): Vec2 => [x + at[0], y + at[1]]),
    edges: outline.map(() => ({ pitchDeg: 32 })),
    eaveHeightM,
  })
  const square = grown(
    [
      [-5, -4],
      [5, -4],
      [5, 4],
      [-5, 4],
    ],
    scale,
  )
  const parts: AnyObject[] = [
    volume('volume-1', grown(cross, scale), 3.4, [0, 0]),
    ...[-1, 1].flatMap((x) =>
      [-1, 1].map((y) => volume(`volume-${x}${y}`, square, 6, [17 * x * scale, 14 * y * scale])),
    ),
    ...Array.from({ length: 12 }, (_, i): AnyObject => ({
      ...defaultChimney,
      id: `chimney-${i}`,
      center: [(-8 + 1.4 * i) * scale, (i % 2 === 0 ? 2.2 : -2.2) * scale],
      rotationDeg: 0,
    })),
    ...Array.from({ length: 10 }, (_, i): AnyObject => ({
      ...defaultTree,
      id: `tree-${i}`,
      name: `Tree ${i}`,
      center: [(-15 + 3.2 * i) * scale, (i % 2 === 0 ? 11 : -11) * scale],
      transmissivity: broadleafTransmissivity(latitudeDeg),
    })),
  ]
  const own = Object.fromEntries(parts.map((part) => [part.id, part]))
  const kept = Object.values(shipped.house).filter(
    ({ kind }) => !['volume', 'chimney', 'tree'].includes(kind),
  )
  const house: Objects = { ...Object.fromEntries(kept.map((object) => [object.id, object])), ...own }
  const others = Object.values(shipped.options[0]?.objects ?? {}).filter(({ kind }) => kind !== 'array')
  const arrays = cross.map((_, edgeIndex): AnyObject => ({
    ...defaultArray,
    id: `array-${edgeIndex}`,
    volumeId: 'volume-1',
    edgeIndex,
    removed: [],
  }))
  const option = Object.fromEntries([...others, ...arrays].map((object) => [object.id, object]))
  const world = await surroundings.worldOf(house, option)
  const site = new Graph<World>({ now: () => performance.now() }).open(world).value(siteStage)
  const standing = site.objects.filter(
    ({ geometry: { solids, crowns } }) => solids.length + crowns.length > 0,
  )
  const receivers = site.arrays.flatMap(({ places }) => places.map(({ corners }) => corners))
  return {
    receivers,
    casters: standing.map(({ geometry: { solids, crowns } }) => [...solids, ...crowns]),
    chimney: standing.findIndex(({ id }) => id === 'chimney-3'),
  }
}

const castsOf = ({ receivers, casters }: Scene, directions: Float64Array) =>
  casters.map((caster) => castOn(receivers, groups, caster, directions, patches.direction))

const namedOn = (casts: readonly (readonly (CastShade | null)[])[], r: number) =>
  casts.flatMap((own, c) => (own[r] ? [{ caster: String(c), cast: own[r] }] : []))

function exactYear(scene: Scene): void {
  const casts = castsOf(scene, sun.direction)
  scene.receivers.forEach((receiver, r) => exactShade(receiver, groups, namedOn(casts, r), sun))
}

function tableYear(scene: Scene): void {
  const casts = castsOf(scene, table.direction)
  const beams = new Map<string, Float64Array>()
  scene.receivers.forEach((receiver, r) => {
    const normal = unit3(newell(receiver))
    const beam = beams.get(normal.join(' ')) ?? beamByNode(clear, sun.month, 60, normal, table)
    beams.set(normal.join(' '), beam)
    const open = { beam, dome: 500, band: 50, ground: 20 }
    yearByPoint(receiver, groups, namedOn(casts, r), table, open)
  })
}

/** One caster's shadows again, and the modules that they concern. */
function chimneyMoved(scene: Scene): () => void {
  const casts = castsOf(scene, sun.direction)
  return () => {
    const own = castOn(
      scene.receivers,
      groups,
      scene.casters[scene.chimney] ?? [],
      sun.direction,
      patches.direction,
    )
    scene.receivers.forEach((receiver, r) => {
      if (own[r] || casts[scene.chimney]?.[r]) exactShade(receiver, groups, namedOn(casts, r), sun)
    })
  }
}

function timeOf(work: () => void, rounds: number): number {
  const times: number[] = []
  for (let round = 0; round < rounds; round++) {
    const begin = performance.now()
    work()
    times.push(performance.now() - begin)
  }
  return median(times)
}

/** Triangles of all solids: each face as a fan round its first corner. */
function trianglesOf(bodies: readonly Body[]): number[] {
  return bodies.flatMap((body) => {
    if (body.kind === 'crown') return []
    const out: number[] = []
    for (let f = 0; f < body.faces.length / 4; f++) {
      const ring = ringOf(body.edges, f).map((v) => body.vertices[v] as Vec3)
      for (let i = 1; i + 1 < ring.length; i++)
        out.push(...(ring[0] as Vec3), ...(ring[i] as Vec3), ...(ring[i + 1] as Vec3))
    }
    return out
  })
}

/** Corners of a face in their order. */
function ringOf(edges: Int32Array, face: number): number[] {
  const next = new Map<number, number[]>()
  for (let e = 0; e < edges.length; e += 4) {
    if (edges[e + 2] !== face && edges[e + 3] !== face) continue
    const [a, b] = [edges[e] as number, edges[e + 1] as number]
    next.set(a, [...(next.get(a) ?? []), b])
    next.set(b, [...(next.get(b) ?? []), a])
  }
  const [first] = next.keys()
  if (first === undefined) return []
  const ring = [first]
  for (;;) {
    const at = next.get(ring.at(-1) ?? -1)?.find((v) => !ring.includes(v))
    if (at === undefined) return ring
    ring.push(at)
  }
}

/** Share of every twentieth hour's rays, from the same points, that are let through. */
function rayTraced({ receivers, casters }: Scene): { ms: number; unlike: number; cells: number } {
  const bodies = casters.flat()
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new Float32BufferAttribute(trianglesOf(bodies), 3))
  const tree = new MeshBVH(geometry)
  const crowns = bodies.flatMap((body) => (body.kind === 'crown' ? [body] : []))
  const points = receivers.map((receiver) => pointsByGroup(receiver, groups).flat())
  const ray = new Ray(new Vector3(), new Vector3())
  const every = 20
  const lit = new Map<number, number[]>()
  const begin = performance.now()
  receivers.forEach((receiver, r) => {
    const [a, b, , d] = receiver
    const [u, v] = [b, d].map((to) => new Vector3(to[0] - a[0], to[1] - a[1], to[2] - a[2])) as [
      Vector3,
      Vector3,
    ]
    const normal = new Vector3().crossVectors(u, v).normalize()
    const own: number[] = []
    for (let entry = 0; entry < sun.interval.length; entry += every) {
      const [dx = 0, dy = 0, dz = 0] = sun.direction.subarray(entry * 3, entry * 3 + 3)
      ray.direction.set(dx, dy, dz)
      if (ray.direction.dot(normal) < 1e-3) {
        own.push(-1)
        continue
      }
      let sum = 0
      for (const [x, y, z] of points[r] ?? []) {
        ray.origin.set(x + normal.x * 1e-5, y + normal.y * 1e-5, z + normal.z * 1e-5)
        let passes = tree.raycastFirst(ray, DoubleSide) ? 0 : 1
        if (passes > 0)
          for (const crown of crowns)
            if (crownMeets(crown, x, y, z, dx, dy, dz))
              passes *= crown.transmissivity[sun.month[entry] as number] ?? 1
        sum += passes
      }
      own.push(sum / (points[r]?.length ?? 1))
    }
    lit.set(r, own)
  })
  const ms = (performance.now() - begin) * every
  const casts = castsOf({ receivers, casters, chimney: 0 }, sun.direction)
  let [unlike, cells] = [0, 0]
  receivers.forEach((receiver, r) => {
    const { shaded, litMean } = exactShade(receiver, groups, namedOn(casts, r), sun)
    const rows = new Map([...shaded].map((entry, row) => [entry, litMean[row] ?? NaN]))
    lit.get(r)?.forEach((share, k) => {
      if (share < 0) return
      cells++
      if (Math.abs((rows.get(k * every) ?? 1) - share) > 1e-6) unlike++
    })
  })
  return { ms, unlike, cells }
}

const forty = await sceneFor(40)
const veryFirst = timeOf(() => tableYear(forty), 1)
console.log(`Very first call: ${veryFirst.toFixed(0)} ms`)
for (let k = 0; k < 3; k++) exactYear(forty)
const traced = rayTraced(forty)
const exact = timeOf(() => exactYear(forty), 9)
const byTable = timeOf(() => tableYear(forty), 9)
console.log(
  `40 modules, a plain ray tracer: ${(traced.ms / 1000).toFixed(1)} s (from every twentieth hour); ${traced.unlike} of ${traced.cells} modules and hours unlike`,
)
for (const [name, ms] of [
  ['exact hourly', exact],
  ['table', byTable],
] as const)
  console.log(`40 modules, ${name}: ${ms.toFixed(0)} ms, 1/${(traced.ms / ms).toFixed(0)} of the ray tracer`)
console.log(`One chimney moved: ${timeOf(chimneyMoved(forty), 9).toFixed(1)} ms`)
console.log(
  `An array of 20 moved: ${timeOf(() => exactYear({ ...forty, receivers: forty.receivers.slice(0, 20) }), 9).toFixed(0)} ms`,
)
for (const modules of [400, 2000]) {
  const scene = await sceneFor(modules)
  console.log(
    `${modules} modules: table ${timeOf(() => tableYear(scene), 3).toFixed(0)} ms, exact hourly ${timeOf(() => exactYear(scene), 3).toFixed(0)} ms`,
  )
}
for (const share of [0.25, 0.5, 1]) {
  const casters = forty.casters.slice(0, Math.round(forty.casters.length * share))
  console.log(
    `40 modules by ${casters.length} casters: exact hourly ${timeOf(() => exactYear({ ...forty, casters }), 5).toFixed(0)} ms`,
  )
}
