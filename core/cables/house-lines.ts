import { containsPoint, nearestOnSegment, segmentsMeet } from '../geometry/polygon'
import { add2, distance2, length3, scale2, sub2, sub3, unit2, type Vec2, type Vec3 } from '../geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from '../roof/plane'
import { type Site } from '../site/site'
import { Network } from './network'

/** An outer wall by its foot, and how high it goes at both ends. */
export interface Wall {
  readonly objectId: string
  readonly a: Vec2
  readonly b: Vec2
  readonly topA: number
  readonly topB: number
}

/** Steeper than this a cable knows where down is. */
const steepDeg = 1
/** How far over a roof something may lie that lies on it, m. */
const overM = 2
/** Between the edge of a roof and the wall under it, m. */
const overhangM = 4

interface Face {
  readonly objectId: string
  readonly plane: RoofPlane
  readonly plan: readonly Vec2[]
  /** Lines of its outline. */
  readonly lines: readonly number[]
}

/** Walls of the customer's buildings that stand on the ground. */
export function wallsIn(site: Pick<Site, 'objects'>): Wall[] {
  return buildingsIn(site).flatMap(({ id, geometry }) =>
    geometry.surfaces.flatMap(({ tone, corners }): Wall[] => {
      const [a, b, topB] = corners
      const topA = corners.at(-1)
      if (tone !== 'wall' || !a || !b || !topB || !topA || corners.length < 4) return []
      if (a[2] !== 0 || b[2] !== 0 || topA[2] <= 0 || topB[2] <= 0) return []
      return [{ objectId: id, a: [a[0], a[1]], b: [b[0], b[1]], topA: topA[2], topB: topB[2] }]
    }),
  )
}

const buildingsIn = ({ objects }: Pick<Site, 'objects'>) =>
  objects.filter(({ geometry }) => !geometry.faded && geometry.faces.length > 0)

/** The wall nearest to a point of the plan, and where on it; null without walls. */
export function nearestWall(
  walls: readonly Wall[],
  at: Vec2,
): { readonly wall: Wall; readonly point: Vec2; readonly along: number; readonly distanceM: number } | null {
  let best: ReturnType<typeof nearestWall> = null
  for (const wall of walls) {
    const near = nearestOnSegment(wall.a, wall.b, at)
    if (!best || near.distanceM < best.distanceM) best = { wall, ...near }
  }
  return best
}

/**
 * The lines of a job's buildings: edges of roofs, corners and feet of walls, and straight over the ground from one
 * building to the next. Cables go down a slope to its edge, and along from there.
 */
export class HouseLines {
  readonly network = new Network()
  readonly walls: readonly Wall[]
  readonly #faces: readonly Face[]
  /** On the ground, with what they belong to. */
  readonly #ground: { readonly node: number; readonly objectId: string }[] = []

  /** Devices so far: along their wall, and up and down it. */
  readonly #hung: {
    readonly wall: Wall
    readonly at: Vec3
    readonly ring: number
    readonly upright: number
  }[] = []

  constructor(site: Site) {
    const buildings = buildingsIn(site)
    this.walls = wallsIn(site)
    this.#faces = buildings.flatMap(({ id, geometry }) => geometry.faces.map((face) => this.#face(id, face)))
    for (const wall of this.walls) this.#raise(wall)
    const walled = new Set(this.walls.map(({ objectId }) => objectId))
    for (const { objectId, plane } of this.#faces)
      for (const corner of plane.corners) {
        // A dormer's corners lie on the roof, those of a roof on posts have the ground under them.
        const stood = this.#descend(corner, objectId)
        if (stood === null && !walled.has(objectId)) this.#toGround(corner, objectId)
      }
  }

  /** A device on the wall nearest to its place: reached along the wall at its height, from its foot and from the roof. */
  device(at: Vec2, heightM: number): { readonly node: number; readonly at: Vec3; readonly offWallM: number } {
    const near = nearestWall(this.walls, at)
    if (!near) {
      const place: Vec3 = [at[0], at[1], heightM]
      return { node: this.#toGround(place, 'device'), at: place, offWallM: 0 }
    }
    const { wall, point, along, distanceM } = near
    const topM = wall.topA + (wall.topB - wall.topA) * along
    const level = Math.min(heightM, topM)
    const place: Vec3 = [point[0], point[1], level]
    const { network } = this
    const { node, ring } = this.#alongWalls(wall, place)
    const foot = network.onLine(this.#footOf(wall), [point[0], point[1], 0])
    this.#ground.push({ node: foot, objectId: wall.objectId })
    const top = network.node([point[0], point[1], topM])
    const upright = network.line(foot, top, 'wall')
    network.onLine(upright, place)
    this.#toRoof(top, wall.objectId)
    // On one wall each is reached at the height of the other.
    for (const other of this.#hung) {
      if (other.wall !== wall) continue
      this.#cross(ring, other.upright, [other.at[0], other.at[1], level])
      this.#cross(other.ring, upright, [point[0], point[1], other.at[2]])
    }
    this.#hung.push({ wall, at: place, ring, upright })
    return { node, at: place, offWallM: distanceM }
  }

  /** Where a module lies: down to the edge of its roof, or to the ground. */
  module(at: Vec3): number {
    return this.#descend(at, null) ?? this.#toGround(at, 'module')
  }

  /** Straight over the ground between what stands apart, but not through a house. */
  joinOverGround(): void {
    this.#ground.forEach((one, k) => {
      for (const other of this.#ground.slice(k + 1))
        if (one.objectId !== other.objectId && this.#isClear(one.node, other.node))
          this.network.line(one.node, other.node)
    })
  }

  #face(objectId: string, plane: RoofPlane): Face {
    const nodes = plane.corners.map((corner) => this.network.node(corner))
    const lines = nodes.map((node, i) => this.network.line(node, nodes[(i + 1) % nodes.length] ?? node))
    return { objectId, plane, plan: planOf(plane.corners), lines }
  }

  #raise({ objectId, a, b, topA, topB }: Wall): void {
    const ends: [Vec2, number][] = [
      [a, topA],
      [b, topB],
    ]
    for (const [[x, y], z] of ends) {
      const foot = this.network.node([x, y, 0])
      const top = this.network.node([x, y, z])
      this.network.line(foot, top)
      this.#toRoof(top, objectId)
      this.#ground.push({ node: foot, objectId })
    }
    this.#footOf({ objectId, a, b, topA, topB })
    this.network.line(this.network.node([...a, topA]), this.network.node([...b, topB]))
  }

  #footOf({ a, b }: Wall): number {
    return this.network.line(this.network.node([...a, 0]), this.network.node([...b, 0]), 'wall')
  }

  #cross(one: number, other: number, at: Vec3): void {
    this.network.onLine(one, at)
    this.network.onLine(other, at)
  }

  /** Around the house at one height; the line of the device's own wall. */
  #alongWalls(wall: Wall, place: Vec3): { readonly node: number; readonly ring: number } {
    const { network } = this
    const level = place[2]
    let ring = 0
    for (const { objectId, a, b, topA, topB } of this.walls) {
      if (objectId !== wall.objectId) continue
      const corner = ([x, y]: Vec2, top: number) =>
        network.onLine(network.line(network.node([x, y, 0]), network.node([x, y, top])), [
          x,
          y,
          Math.min(level, top),
        ])
      const line = network.line(corner(a, topA), corner(b, topB), 'wall')
      if (a !== wall.a || b !== wall.b) continue
      network.onLine(line, place)
      ring = line
    }
    return { node: network.node(place), ring }
  }

  /** From the top of a wall to the nearest edge of its roof. */
  #toRoof(top: number, objectId: string): void {
    const from = this.network.at(top)
    let best: { readonly line: number; readonly at: Vec3; readonly farM: number } | null = null
    for (const { plane, lines, ...face } of this.#faces) {
      if (face.objectId !== objectId) continue
      plane.corners.forEach((p, i) => {
        const q = plane.corners[(i + 1) % plane.corners.length] ?? p
        const { along } = nearestOnSegment([p[0], p[1]], [q[0], q[1]], [from[0], from[1]])
        const at = between(p, q, along)
        const farM = length3(sub3(at, from))
        if (!best || farM < best.farM) best = { line: lines[i] ?? 0, at, farM }
      })
    }
    const found = best as { readonly line: number; readonly at: Vec3; readonly farM: number } | null
    if (!found || found.farM > overhangM) return
    const edge = this.network.onLine(found.line, found.at)
    if (edge !== top) this.network.line(top, edge)
  }

  /**
   * From a place on a roof down its slope to the edge of that plane; null where there is no roof under it.
   * @param apart whose own roof is none
   */
  #descend(from: Vec3, apart: string | null): number | null {
    const p: Vec2 = [from[0], from[1]]
    let under: { readonly face: Face; readonly gapM: number } | null = null
    for (const face of this.#faces) {
      if (face.objectId === apart || !containsPoint(face.plan, p)) continue
      const gapM = from[2] - planeHeightM(face.plane, p)
      if (gapM < -0.1 || gapM > overM || (under && under.gapM <= gapM)) continue
      under = { face, gapM }
    }
    if (!under) return null
    const { face } = under as { readonly face: Face }
    const exit = edgeBelow(face, p)
    const start = this.network.node(from)
    const edge = this.network.onLine(face.lines[exit.edge] ?? 0, exit.at)
    if (edge !== start) this.network.line(start, edge)
    return start
  }

  #toGround(at: Vec3, objectId: string): number {
    const node = this.network.node(at)
    const foot = this.network.node([at[0], at[1], 0])
    if (foot !== node) this.network.line(node, foot)
    this.#ground.push({ node: foot, objectId })
    return node
  }

  #isClear(one: number, other: number): boolean {
    const [from, to] = [one, other].map((node): Vec2 => {
      const [x, y] = this.network.at(node)
      return [x, y]
    })
    if (!from || !to || distance2(from, to) < 0.1) return true
    const step = scale2(unit2(sub2(to, from)), 0.03)
    const [a, b] = [add2(from, step), sub2(to, step)]
    return !this.walls.some((wall) => segmentsMeet(a, b, wall.a, wall.b))
  }
}

const between = (p: Vec3, q: Vec3, along: number): Vec3 => [
  p[0] + (q[0] - p[0]) * along,
  p[1] + (q[1] - p[1]) * along,
  p[2] + (q[2] - p[2]) * along,
]

/** Where the line of fall from a point of a plane meets its outline; of a level plane the nearest point of it. */
function edgeBelow({ plane, plan }: Face, p: Vec2): { readonly edge: number; readonly at: Vec3 } {
  const down: Vec2 = [plane.normal[0], plane.normal[1]]
  const falls = plane.pitchDeg > steepDeg
  let best = { edge: 0, at: plane.corners[0] ?? ([0, 0, 0] as Vec3), farM: Infinity }
  plan.forEach((a, edge) => {
    const b = plan[(edge + 1) % plan.length] ?? a
    const along = falls ? meets(p, down, a, b) : nearestOnSegment(a, b, p).along
    const [c, d] = [plane.corners[edge], plane.corners[(edge + 1) % plan.length]]
    if (along === null || !c || !d) return
    const at = between(c, d, along)
    const farM = distance2(p, [at[0], at[1]])
    if (farM < best.farM) best = { edge, at, farM }
  })
  return best
}

/** Where along a segment a ray of the plan meets it, 0..1; null where it does not. */
function meets(p: Vec2, way: Vec2, a: Vec2, b: Vec2): number | null {
  const side = sub2(b, a)
  const denominator = way[0] * side[1] - way[1] * side[0]
  if (Math.abs(denominator) < 1e-12) return null
  const to = sub2(a, p)
  const far = (to[0] * side[1] - to[1] * side[0]) / denominator
  const along = (to[0] * way[1] - to[1] * way[0]) / denominator
  return far >= -1e-9 && along >= -1e-9 && along <= 1 + 1e-9 ? Math.min(1, Math.max(0, along)) : null
}
