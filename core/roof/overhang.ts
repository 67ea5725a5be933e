import { Fault } from '../model/fault'
import { toRadians } from '../model/units'
import { type Vec2 } from '../geometry/vector'
import { checkOutline } from './check-outline'
import { parallelSine } from './front'
import { profileOf, speedOf, type ProfileStep, type RoofEdge } from './profile'
import { type Building, type Roof } from './plane'
import { buildRoof } from './roof'

/**
 * The roof of a building that goes out over its walls. Its planes are those over the walls, carried on down to one level
 * all round: the flattest of them goes out by the overhang, steeper ones by less; rakes go out by all of it.
 * @param overhangM in plan, metres
 * @throws Fault as `buildRoof` does, and `wide-overhang` where the eaves of two sides would run into each other
 */
export function buildOverhung(building: Building, overhangM: number): Roof {
  if (overhangM === 0) return buildRoof(building)
  checkOutline(building.outline, building.holes)
  const sides = [building.outline, ...(building.holes ?? [])].reduce((sum, ring) => sum + ring.length, 0)
  if (building.edges.length !== sides)
    throw new Fault('bad-edges', { sides, given: building.edges.length }, 'edges')
  const pitches = building.edges
    .map((edge) => profileOf(edge)[0]?.[1] ?? 90)
    .filter((deg) => speedOf(deg) > 0)
  const dropM = pitches.length > 0 ? overhangM * Math.tan(toRadians(Math.min(...pitches))) : 0
  const edges: RoofEdge[] = []
  const sideOf: number[] = []
  let first = 0
  const rings = [building.outline, ...(building.holes ?? [])].map((ring) => {
    const own = building.edges.slice(first, first + ring.length)
    const moved = movedRing(ring, own, overhangM, dropM)
    moved.sides.forEach((side) => {
      const edge = side === null ? undefined : own[side]
      edges.push(edge ? lengthened(edge, overhangM, dropM) : { gable: true })
      sideOf.push(side === null ? first : first + side)
    })
    first += ring.length
    return moved.corners
  })
  const [outline = [], ...holes] = rings
  try {
    checkOutline(outline, holes)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    throw new Fault('wide-overhang', {}, 'overhangM')
  }
  const roof = buildRoof({ outline, holes, edges, eaveHeightM: building.eaveHeightM - dropM })
  return {
    ...roof,
    planes: roof.planes.map((plane) => {
      const edgeIndex = sideOf[plane.edgeIndex] ?? plane.edgeIndex
      return { ...plane, edgeIndex, id: plane.id.replace(/^e\d+/, `e${edgeIndex}`) }
    }),
  }
}

/** The edge seen from the lowered eave. What lies over a gable's foot comes down with its plane. */
function lengthened(edge: RoofEdge, overhangM: number, dropM: number): RoofEdge {
  const steps = profileOf(edge)
  if (steps.length < 2) return edge
  const isUpright = speedOf(steps[0]?.[1] ?? 90) === 0
  return {
    profile: steps.map(([fromM, pitchDeg], k): ProfileStep => {
      if (k === 0) return [0, pitchDeg]
      const down = isUpright && k === 1 ? overhangM * Math.tan(toRadians(pitchDeg)) : 0
      return [fromM + dropM - down, pitchDeg]
    }),
  }
}

/** Where moved sides meet farther from their corner than this many overhangs, a short side goes between. */
const longestMitre = 5

const outBy = ([x, y]: Vec2, { way, out }: { readonly way: Vec2; readonly out: number }): Vec2 => [
  x + way[1] * out,
  y - way[0] * out,
]

/** A ring with its sides moved out; where neighbours in nearly one line go out unlike far, a short side lies between (null). */
function movedRing(
  ring: readonly Vec2[],
  edges: readonly RoofEdge[],
  overhangM: number,
  dropM: number,
): { readonly corners: Vec2[]; readonly sides: (number | null)[] } {
  const n = ring.length
  const lines = ring.map((a, i) => {
    const b = ring[(i + 1) % n] ?? a
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    const way: Vec2 = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
    const speed = speedOf(profileOf(edges[i] ?? { gable: true })[0]?.[1] ?? 90)
    return { way, out: speed === 0 ? overhangM : dropM * speed }
  })
  const corners: Vec2[] = []
  const sides: (number | null)[] = []
  ring.forEach((at, i) => {
    const [before, after] = [lines[(i + n - 1) % n], lines[i]]
    if (!before || !after) return
    const sine = before.way[0] * after.way[1] - before.way[1] * after.way[0]
    // Where both moved lines meet, seen from the corner.
    const x = (before.out * after.way[0] - after.out * before.way[0]) / -sine
    const y = (before.out * after.way[1] - after.out * before.way[1]) / -sine
    if (Math.abs(sine) > parallelSine && Math.hypot(x, y) <= longestMitre * overhangM) {
      corners.push([at[0] + x, at[1] + y])
    } else {
      corners.push(outBy(at, before))
      if (Math.hypot(x, y) > longestMitre * overhangM) {
        sides.push(null)
        corners.push(outBy(at, after))
      }
    }
    sides.push(i)
  })
  return { corners, sides }
}
