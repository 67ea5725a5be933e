import { z } from 'zod'
import { localOf, type LatLon } from '../geometry/geo'
import { centroid, containsPoint, signedArea } from '../geometry/polygon'
import { distance2, type Vec2 } from '../geometry/vector'
import { inWorld } from '../kinds/place'
import { type Volume } from '../kinds/volume/volume'
import { Fault } from '../model/fault'
import { worldM } from '../model/object-base'
import { checkOutline } from '../roof/check-outline'

/** The largest file that is read, and the most outlines taken from one. */
export const largestOutlinesBytes = 5_000_000
const mostOutlines = 200
const mostCorners = 60
/** Corners nearer to their neighbours than this are one, m. */
const sameCornerM = 0.02

const position = z.array(z.number()).min(2)
const ring = z.array(position)
const geometry = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Polygon'), coordinates: z.array(ring).min(1) }),
  z.object({ type: z.literal('MultiPolygon'), coordinates: z.array(z.array(ring).min(1)) }),
])
const feature = z.object({
  type: z.literal('Feature'),
  properties: z.record(z.string(), z.unknown()).nullish(),
  geometry: z.unknown(),
})
const collection = z.object({ type: z.literal('FeatureCollection'), features: z.array(z.unknown()) })

/** A building's outline as it was found. */
export interface FoundOutline {
  /** Counter-clockwise, metres east and north of the site. */
  readonly outline: readonly Vec2[]
  readonly name: string | null
}

/** What could not be used, by its place in the file. */
export interface LeftOutline {
  /** From 1. */
  readonly feature: number
  readonly why: 'none' | 'far' | 'corners' | 'crossing'
}

export interface OutlinesRead {
  /** The first is the house: the one that the site's middle is in, or the nearest. */
  readonly found: readonly FoundOutline[]
  readonly left: readonly LeftOutline[]
  /** Courtyards that were left out. */
  readonly holes: number
}

/**
 * Outlines of buildings from GeoJSON (RFC 7946): polygons in WGS 84 longitude and latitude, around a site.
 * @throws Fault `not-json`, `bad-geojson`, `no-outlines`
 */
export function outlinesIn(text: string, file: string, site: LatLon): OutlinesRead {
  const features = featuresOf(parsed(text, file), file)
  const found: FoundOutline[] = []
  const left: LeftOutline[] = []
  let holes = 0
  features.forEach(({ shape, name }, i) => {
    const rings = ringsOf(shape)
    if (rings.length === 0) left.push({ feature: i + 1, why: 'none' })
    for (const [outer = [], ...inner] of rings) {
      const read = outlineOf(outer, site)
      if (typeof read === 'string') left.push({ feature: i + 1, why: read })
      else {
        holes += inner.length
        found.push({ outline: read, name })
      }
    }
  })
  if (found.length === 0) {
    const [first] = left
    throw new Fault('no-outlines', { file, why: first?.why ?? 'empty' }, file)
  }
  // The nearest of too many.
  const near = found
    .map((one) => ({ one, awayM: awayOf(one.outline) }))
    .sort((a, b) => a.awayM - b.awayM)
    .slice(0, mostOutlines)
  return { found: near.map(({ one }) => one), left, holes }
}

/**
 * The rings of every polygon of a GeoJSON text, in its own coordinates: outer rings with their holes.
 * @throws Fault `not-json`, `bad-geojson`
 */
export const ringsInText = (text: string, file: string): number[][][][] =>
  featuresOf(parsed(text, file), file).flatMap(({ shape }) => ringsOf(shape))

function parsed(text: string, file: string): unknown {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    throw new Fault('not-json', { file, detail: error.message }, file)
  }
}

interface Shape {
  readonly shape: unknown
  readonly name: string | null
}

/** A collection's features, a feature alone or a bare geometry. */
function featuresOf(value: unknown, file: string): Shape[] {
  const many = collection.safeParse(value)
  const each = many.success ? many.data.features : [value]
  const shapes = each.map((one): Shape => {
    const whole = feature.safeParse(one)
    if (!whole.success) return { shape: one, name: null }
    const name = whole.data.properties?.['name']
    return { shape: whole.data.geometry, name: typeof name === 'string' ? name : null }
  })
  if (!many.success && ringsOf(shapes[0]?.shape).length === 0) throw new Fault('bad-geojson', { file }, file)
  return shapes
}

function ringsOf(value: unknown): number[][][][] {
  const read = geometry.safeParse(value)
  if (!read.success) return []
  return read.data.type === 'Polygon' ? [read.data.coordinates] : read.data.coordinates
}

/** A ring around the site, without the corner that closes it and corners that are one; or what is wrong with it. */
function outlineOf(positions: readonly (readonly number[])[], site: LatLon): Vec2[] | LeftOutline['why'] {
  const corners: Vec2[] = []
  for (const [longitudeDeg = 0, latitudeDeg = 0] of positions) {
    // Projected coordinates are no degrees.
    if (Math.abs(longitudeDeg) > 180 || Math.abs(latitudeDeg) > 90) return 'far'
    const p = localOf(site, { longitudeDeg, latitudeDeg })
    if (Math.max(Math.abs(p[0]), Math.abs(p[1])) > worldM) return 'far'
    const last = corners.at(-1)
    if (!last || distance2(last, p) > sameCornerM) corners.push(inWorld(p))
  }
  const [first, last] = [corners[0], corners.at(-1)]
  if (corners.length > 1 && first && last && distance2(first, last) <= sameCornerM) corners.pop()
  if (corners.length < 3 || corners.length > mostCorners) return 'corners'
  const outline = signedArea(corners) < 0 ? corners.reverse() : corners
  try {
    checkOutline(outline)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return 'crossing'
  }
  return outline
}

/** How far the site's middle is from a building; less than nothing inside one. */
const awayOf = (outline: readonly Vec2[]): number =>
  containsPoint(outline, [0, 0]) ? -1 : Math.min(...outline.map((p) => distance2(p, [0, 0])))

/** Without the outlines that buildings are drawn on already. */
export const withoutStanding = (
  read: OutlinesRead,
  standing: readonly (readonly Vec2[])[],
): OutlinesRead => ({
  ...read,
  found: read.found.filter(
    ({ outline }) => !standing.some((other) => containsPoint(outline, centroid(other))),
  ),
})

/** Buildings over outlines, with the roof that a new one begins with; the first is the house where there is none yet. */
export const volumesOver = (
  { found }: OutlinesRead,
  hasHouse: boolean,
  begin: Pick<Volume, 'eaveHeightM'> & { readonly pitchDeg: number },
  nameOf: (index: number) => string,
  idOf: () => string,
): Volume[] =>
  found.map(({ outline, name }, i) => ({
    id: idOf(),
    kind: 'volume',
    name: name?.trim().slice(0, 80) || nameOf(i),
    role: i === 0 && !hasHouse ? 'house' : 'neighbour',
    outline,
    eaveHeightM: begin.eaveHeightM,
    edges: outline.map(() => ({ pitchDeg: begin.pitchDeg })),
    flat: null,
  }))
