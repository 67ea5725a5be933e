import { PNG } from 'pngjs'
import { localOf, tileCorner, type Tile } from '@/core/geometry/geo'
import { containsPoint, nearestOnSegment } from '@/core/geometry/polygon'
import { rotate2, type Vec2 } from '@/core/geometry/vector'
import { buildRoof, planeHeightM, planOf, type RoofPlane } from '@/core/roof/roof'
import { type Lot, type TownMap, type TownTree } from './town-map'

const size = 256
/** The aeroplane came in the middle of a morning: towards the sun, which stands in the north south of the equator. */
const sunwardIn = (map: TownMap): Vec2 => [0.77, map.town.latitudeDeg < 0 ? 0.64 : -0.64]
/** Metres of shadow for a metre of height. */
const shadowPerMetre = 0.9
/** Pixels of a block that shares its list of what may show. */
const block = 8
/** No part of a house is farther from its lot's middle. */
const houseReachM = 13
/** A drive's corners are at most this far from any point of it. */
const driveReachM = 16

interface Drawn {
  readonly lot: Lot
  readonly roofs: readonly {
    readonly planes: readonly RoofPlane[]
    readonly plans: readonly (readonly Vec2[])[]
    readonly top: number
  }[]
  readonly reachM: number
}

const drawnMaps = new Map<string, readonly Drawn[]>()

function drawnLots(map: TownMap): readonly Drawn[] {
  const known = drawnMaps.get(map.town.id)
  if (known) return known
  const drawn = map.lots.map((lot): Drawn => {
    const roofs = lot.volumes.map((volume) => {
      const roof = buildRoof(volume)
      return {
        planes: roof.planes,
        plans: roof.planes.map((plane) => planOf(plane.corners)),
        top: roof.ridgeHeightM,
      }
    })
    return { lot, roofs, reachM: 32 }
  })
  drawnMaps.set(map.town.id, drawn)
  return drawn
}

/** Cheap noise from whole coordinates, 0..1. */
function noise(x: number, y: number): number {
  let h = Math.imul(x | 0, 374761393) ^ Math.imul(y | 0, 668265263)
  h = Math.imul(h ^ (h >>> 13), 1274126177)
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

/** Smooth noise over patches of some metres. */
function patch(x: number, y: number): number {
  const [i, j] = [Math.floor(x), Math.floor(y)]
  const [u, v] = [x - i, y - j]
  const [a, b, c, d] = [noise(i, j), noise(i + 1, j), noise(i, j + 1), noise(i + 1, j + 1)]
  return (a * (1 - u) + b * u) * (1 - v) + (c * (1 - u) + d * u) * v
}

type Colour = readonly [number, number, number]

/** One tile of the aerial sheet as PNG: lawns, streets, drives, roofs with their shade, trees, all from the town's map. */
export function paintTile(map: TownMap, tile: Tile): Buffer {
  const nw = localOf(map.town, tileCorner(tile))
  const se = localOf(map.town, tileCorner({ ...tile, x: tile.x + 1, y: tile.y + 1 }))
  const perPixel: Vec2 = [(se[0] - nw[0]) / size, (se[1] - nw[1]) / size]
  const middle: Vec2 = [(nw[0] + se[0]) / 2, (nw[1] + se[1]) / 2]
  const half = Math.hypot(se[0] - nw[0], se[1] - nw[1]) / 2
  const lots = drawnLots(map).filter(
    ({ lot, reachM }) => Math.hypot(lot.center[0] - middle[0], lot.center[1] - middle[1]) < half + reachM,
  )
  const streets = map.streets.filter((s) => nearestOnSegment(s.from, s.to, middle).distanceM < half + 12)
  const sunward = sunwardIn(map)
  const png = new PNG({ width: size, height: size })
  const blockReach = (Math.hypot(perPixel[0], perPixel[1]) * block) / 2
  for (let by = 0; by < size; by += block)
    for (let bx = 0; bx < size; bx += block) {
      const here: Vec2 = [nw[0] + (bx + block / 2) * perPixel[0], nw[1] + (by + block / 2) * perPixel[1]]
      const near = nearBlock(here, blockReach, lots, streets)
      for (let py = by; py < by + block; py++)
        for (let px = bx; px < bx + block; px++) {
          const p: Vec2 = [nw[0] + (px + 0.5) * perPixel[0], nw[1] + (py + 0.5) * perPixel[1]]
          const grain = (noise(Math.round(p[0] * 9), Math.round(p[1] * 9)) - 0.5) * 14
          const [r, g, b] = colourAt(p, map, near, sunward)
          const at = (py * size + px) * 4
          png.data[at] = r + grain
          png.data[at + 1] = g + grain
          png.data[at + 2] = b + grain
          png.data[at + 3] = 255
        }
    }
  return PNG.sync.write(png, { colorType: 2, deflateLevel: 4 })
}

const shade = (c: Colour, k: number): Colour => [c[0] * k, c[1] * k, c[2] * k]

/** What may show in a block of pixels. */
interface Near {
  readonly trees: readonly TownTree[]
  readonly shadowTrees: readonly TownTree[]
  readonly drives: readonly (readonly Vec2[])[]
  readonly streets: TownMap['streets']
  readonly roofs: readonly Drawn[]
  readonly shadowRoofs: readonly Drawn[]
}

function nearBlock(p: Vec2, reach: number, lots: readonly Drawn[], streets: TownMap['streets']): Near {
  const away = (q: Vec2) => Math.hypot(q[0] - p[0], q[1] - p[1])
  const trees = lots.flatMap(({ lot }) => lot.trees)
  return {
    trees: trees.filter((t) => away(t.center) < reach + t.crownDiameterM * 0.6),
    shadowTrees: trees.filter(
      (t) => away(t.center) < reach + t.crownDiameterM * 0.6 + t.heightM * shadowPerMetre,
    ),
    drives: lots
      .filter(({ lot }) => lot.drive.some((corner) => away(corner) < reach + driveReachM))
      .map(({ lot }) => lot.drive),
    streets: streets.filter(
      (street) => nearestOnSegment(street.from, street.to, p).distanceM < reach + street.widthM / 2 + 2.7,
    ),
    roofs: lots.filter(({ lot }) => away(lot.center) < reach + houseReachM),
    shadowRoofs: lots.filter(
      ({ lot, roofs }) =>
        away(lot.center) < reach + houseReachM + shadowPerMetre * Math.max(...roofs.map((r) => r.top)),
    ),
  }
}

function colourAt(p: Vec2, map: TownMap, near: Near, sunward: Vec2): Colour {
  for (const tree of near.trees) {
    const d = Math.hypot(p[0] - tree.center[0], p[1] - tree.center[1])
    const edge = (tree.crownDiameterM / 2) * (0.86 + 0.28 * patch(p[0] * 0.9 + tree.center[0], p[1] * 0.9))
    if (d < edge) {
      const lit =
        0.78 + (0.3 * ((p[0] - tree.center[0]) * sunward[0] + (p[1] - tree.center[1]) * sunward[1])) / edge
      return shade([84, 104, 66], lit * (0.8 + 0.4 * patch(p[0] * 2.2, p[1] * 2.2)))
    }
  }
  const roof = near.roofs.length > 0 ? roofAt(p, near.roofs, sunward) : null
  if (roof) return roof
  const dark = inShadow(p, near, sunward) ? 0.62 : 1
  return shade(groundAt(p, map, near), dark)
}

function roofAt(p: Vec2, lots: readonly Drawn[], sunward: Vec2): Colour | null {
  let best: { plane: RoofPlane; lot: Lot; height: number; plan: readonly Vec2[] } | null = null
  for (const { lot, roofs } of lots) {
    for (const { planes, plans } of roofs)
      for (const [i, plane] of planes.entries()) {
        const plan = plans[i] ?? []
        if (!containsPoint(plan, p)) continue
        const height = planeHeightM(plane, p)
        if (!best || height > best.height) best = { plane, lot, height, plan }
      }
    for (const chimney of lot.chimneys)
      if (
        Math.abs(p[0] - chimney.center[0]) < chimney.widthM / 2 &&
        Math.abs(p[1] - chimney.center[1]) < chimney.depthM / 2
      )
        return [150, 92, 76]
  }
  if (!best) return null
  const { plane, lot, plan } = best
  const light =
    0.72 +
    0.62 *
      (plane.normal[0] * sunward[0] * 0.7 +
        plane.normal[1] * sunward[1] * 0.7 +
        (plane.normal[2] - 0.7) * 0.7)
  let border = Infinity
  plan.forEach((a, i) => {
    border = Math.min(border, nearestOnSegment(a, plan[(i + 1) % plan.length] ?? a, p).distanceM)
  })
  const course = 0.97 + 0.05 * Math.sin(planeHeightM(plane, p) * 14)
  return shade(lot.roofColour, (border < 0.12 ? 0.86 : 1) * light * 1.25 * course)
}

function inShadow(p: Vec2, near: Near, sunward: Vec2): boolean {
  if (near.shadowTrees.length + near.shadowRoofs.length === 0) return false
  for (let h = 1; h < 9; h += 0.8) {
    const q: Vec2 = [p[0] + sunward[0] * h * shadowPerMetre, p[1] + sunward[1] * h * shadowPerMetre]
    for (const tree of near.shadowTrees) {
      const crown = (tree.crownDiameterM / 2) * 0.95
      const upon = Math.sqrt(Math.max(0, 1 - ((h / tree.heightM - 0.65) / 0.4) ** 2))
      if (
        h > tree.heightM * 0.3 &&
        h < tree.heightM &&
        Math.hypot(q[0] - tree.center[0], q[1] - tree.center[1]) < crown * upon
      )
        return true
    }
    for (const { lot, roofs } of near.shadowRoofs) {
      if (Math.hypot(q[0] - lot.center[0], q[1] - lot.center[1]) > houseReachM) continue
      for (const { planes, plans, top } of roofs)
        if (
          h < top &&
          planes.some((plane, i) => containsPoint(plans[i] ?? [], q) && planeHeightM(plane, q) > h)
        )
          return true
    }
  }
  return false
}

function groundAt(p: Vec2, map: TownMap, { drives, streets }: Near): Colour {
  let verge = false
  for (const street of streets) {
    const d = nearestOnSegment(street.from, street.to, p).distanceM
    if (d < street.widthM / 2) return Math.abs(d) < 0.08 ? [172, 168, 152] : [126, 126, 126]
    if (d > street.widthM / 2 + 1.3 && d < street.widthM / 2 + 2.7) return [176, 172, 164]
    if (d < street.widthM / 2 + 1.3) verge = true
  }
  if (!verge) for (const drive of drives) if (containsPoint(drive, p)) return [158, 152, 144]
  const q = rotate2(p, -map.turnRad)
  const tone = patch(p[0] / 5, p[1] / 5) * 0.5 + patch(p[0] / 1.7, p[1] / 1.7) * 0.3
  // Fences between the lots.
  const along = ((((q[0] + 12.5) % 25) + 25) % 25) - 12.5
  if (!verge && Math.abs(Math.abs(along) - 12.5) < 0.12) return [112, 104, 88]
  const dry = map.town.id === 'pellworth' ? 0 : 34
  return [112 + 34 * tone + dry, 128 + 26 * tone + dry * 0.35, 84 + 26 * tone]
}
