import { formatLength, type UnitSystem } from '../model/units'
import { add3, length3, scale3, sub3, type Vec3 } from '../geometry/vector'
import { hatchOf } from '../geometry/hatch'
import { type Margins, type Stroke } from '../kinds/standing'
import { planeParts } from '../layout/kept-free'
import { fromFrame } from '../layout/plane-frame'
import { distinctMargins, panelsOf, type StandingObject } from '../site/site'
import { footOutline, railOutline } from '../structure/outlines'
import { type Drawn } from './drawn'

/** Names of the layers, with a colour each (the first nine of the format's palette). */
const layers = {
  'ROOF-PLANES': 3,
  'ROOF-EDGES': 7,
  WALLS: 8,
  OBSTRUCTIONS: 1,
  TREES: 3,
  NEIGHBOURS: 9,
  MODULES: 5,
  SETBACKS: 6,
  WALKWAYS: 4,
  'LOT-LINES': 6,
  RAILS: 8,
  ATTACHMENTS: 1,
  DIMENSIONS: 2,
} as const
type Layer = keyof typeof layers

/** How far a dimension stands off the edge it measures, and how tall its figures are, m. */
const [offM, textM] = [0.35, 0.22]
/** Shorter edges are not measured, m. */
const leastDimensionM = 0.4
/** How far apart hatching is, m. */
const hatchM = 0.2

/**
 * The job as a drawing in the DXF of release 12, which every reader knows: metres, east and north of the site's middle
 * and up, planes, obstructions, modules, rails, attachments and dimensions on layers of their own.
 */
export function dxfOf({ site, nameOf, holdings = [] }: Drawn, units: UnitSystem, locale: string): string {
  const out: (string | number)[] = [...header(site.objects)]
  const push = (...pairs: (string | number)[]) => out.push(...pairs)
  push(0, 'SECTION', 2, 'ENTITIES')
  for (const object of site.objects) {
    const { geometry } = object
    const at = layersOf(object)
    for (const { corners, holes = [] } of geometry.faces)
      for (const border of [corners, ...holes]) ring(push, at.planes, border)
    for (const { from, to, is } of geometry.strokes.filter(
      (stroke) => !isMeasure(stroke) && stroke.is !== 'mark',
    ))
      line(push, layerOf(is, at), from, to)
    for (const { center, crownRadiusM, halfHeightM } of geometry.crowns) {
      push(
        0,
        'CIRCLE',
        8,
        at.edges,
        10,
        fixed(center[0]),
        20,
        fixed(center[1]),
        30,
        0,
        40,
        fixed(crownRadiusM),
      )
      const said = `${nameOf(object.id)}, ${formatLength(center[2] + halfHeightM, units, locale)}`
      text(push, 'DIMENSIONS', [center[0], center[1], 0], said, 0)
    }
    if (!geometry.faded)
      for (const { from, to } of [...dimensioned(object), ...geometry.strokes.filter(isMeasure)])
        dimension(push, from, to, units, locale)
  }
  for (const { corners } of panelsOf(site)) ring(push, 'MODULES', corners)
  for (const margins of distinctMargins(site.arrays)) setbacks(push, margins)
  for (const holding of holdings) {
    if (holding.is !== 'rails') continue
    for (const rail of holding.rails) {
      ring(push, 'RAILS', railOutline(rail, holding))
      for (const foot of rail.feet) ring(push, 'ATTACHMENTS', footOutline(foot, rail, holding))
    }
  }
  push(0, 'ENDSEC', 0, 'EOF')
  return pairsOf(out)
}

/** The border of what a plane leaves to modules, and hatching over what it keeps free. */
function setbacks(push: Push, margins: Margins): void {
  const { frame, free, usable } = planeParts(margins)
  for (const border of usable)
    ring(
      push,
      'SETBACKS',
      border.map((p) => fromFrame(frame, p)),
    )
  for (const [from, to] of hatchOf(free, hatchM))
    line(push, 'SETBACKS', fromFrame(frame, from), fromFrame(frame, to))
}

type Push = (...pairs: (string | number)[]) => void

function layersOf({
  geometry: { faded, faces, crowns },
}: StandingObject): Readonly<Record<'planes' | 'edges' | 'walls', Layer>> {
  if (faded) return { planes: 'NEIGHBOURS', edges: 'NEIGHBOURS', walls: 'NEIGHBOURS' }
  if (crowns.length > 0) return { planes: 'TREES', edges: 'TREES', walls: 'TREES' }
  if (faces.length > 0) return { planes: 'ROOF-PLANES', edges: 'ROOF-EDGES', walls: 'WALLS' }
  return { planes: 'OBSTRUCTIONS', edges: 'OBSTRUCTIONS', walls: 'OBSTRUCTIONS' }
}

function layerOf(is: Stroke['is'], at: ReturnType<typeof layersOf>): Layer {
  if (is === 'walkway' || is === 'hatch') return 'WALKWAYS'
  if (is === 'lot') return 'LOT-LINES'
  return is === 'corner' || is === 'foot' || is === 'wall' ? at.walls : at.edges
}

const isMeasure = ({ is }: Stroke) => is === 'measure'

/** Edges of roofs that are worth a measure, each once. */
function dimensioned({ geometry: { faces } }: StandingObject): { from: Vec3; to: Vec3 }[] {
  const found = new Map<string, { from: Vec3; to: Vec3 }>()
  for (const { corners } of faces)
    corners.forEach((from, i) => {
      const to = corners[(i + 1) % corners.length] ?? from
      if (length3(sub3(to, from)) < leastDimensionM) return
      const key = [from, to].map((p) => p.map(fixed).join(' ')).sort()
      found.set(key.join('/'), { from, to })
    })
  return [...found.values()]
}

const fixed = (value: number) => value.toFixed(4)

function header(objects: readonly StandingObject[]): (string | number)[] {
  const corners = objects.flatMap(({ geometry }) => geometry.strokes.flatMap(({ from, to }) => [from, to]))
  const limit = (pick: (...values: number[]) => number, axis: 0 | 1) =>
    corners.length === 0 ? 0 : pick(...corners.map((p) => p[axis]))
  return [
    ...[0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, 'AC1009', 9, '$INSUNITS', 70, 6],
    ...[9, '$EXTMIN', 10, fixed(limit(Math.min, 0)), 20, fixed(limit(Math.min, 1)), 30, 0],
    ...[9, '$EXTMAX', 10, fixed(limit(Math.max, 0)), 20, fixed(limit(Math.max, 1)), 30, 0],
    ...[0, 'ENDSEC', 0, 'SECTION', 2, 'TABLES', 0, 'TABLE', 2, 'LAYER', 70, Object.keys(layers).length],
    ...Object.entries(layers).flatMap(([name, colour]) => [
      ...[0, 'LAYER', 2, name, 70, 0, 62, colour, 6, 'CONTINUOUS'],
    ]),
    ...[0, 'ENDTAB', 0, 'ENDSEC'],
  ]
}

const point = (first: 10 | 11, [x, y, z]: Vec3) => [
  first,
  fixed(x),
  first + 10,
  fixed(y),
  first + 20,
  fixed(z),
]

function line(push: Push, layer: Layer, from: Vec3, to: Vec3): void {
  push(0, 'LINE', 8, layer, ...point(10, from), ...point(11, to))
}

/** A closed polyline in space. */
function ring(push: Push, layer: Layer, corners: readonly Vec3[]): void {
  push(0, 'POLYLINE', 8, layer, 66, 1, ...point(10, [0, 0, 0]), 70, 9)
  for (const corner of corners) push(0, 'VERTEX', 8, layer, ...point(10, corner), 70, 32)
  push(0, 'SEQEND', 8, layer)
}

function text(push: Push, layer: Layer, at: Vec3, said: string, turnDeg: number): void {
  const content = [...said].map(inDxf).join('')
  push(0, 'TEXT', 8, layer, ...point(10, at), 40, textM, 1, content, 50, turnDeg.toFixed(2), 72, 1)
  push(...point(11, at))
}

/** Beyond ASCII a character is written by its number. */
const inDxf = (character: string) => {
  const code = character.codePointAt(0) ?? 0
  if (code < 32) return ' '
  return code < 127 ? character : `\\U+${code.toString(16).toUpperCase().padStart(4, '0')}`
}

/** A line beside an edge with a tick at either end and the edge's true length. */
function dimension(push: Push, from: Vec3, to: Vec3, units: UnitSystem, locale: string): void {
  const along = sub3(to, from)
  const level = Math.hypot(along[0], along[1])
  if (level < 1e-6) return
  // To the right of the way round a plane, which is outside it.
  const out: Vec3 = [along[1] / level, -along[0] / level, 0]
  const [a, b] = [add3(from, scale3(out, offM)), add3(to, scale3(out, offM))]
  line(push, 'DIMENSIONS', a, b)
  for (const [end, tick] of [
    [from, a],
    [to, b],
  ] as const)
    line(push, 'DIMENSIONS', end, add3(tick, scale3(out, offM / 3)))
  const turn = (Math.atan2(along[1], along[0]) * 180) / Math.PI
  // Never upside down.
  const upright = turn > 90 ? turn - 180 : turn <= -90 ? turn + 180 : turn
  const middle = scale3(add3(add3(a, b), scale3(out, offM)), 0.5)
  text(push, 'DIMENSIONS', middle, formatLength(length3(along), units, locale), upright)
}

/** Codes and values on lines of their own. */
function pairsOf(flat: readonly (string | number)[]): string {
  const lines: string[] = []
  for (let i = 0; i < flat.length; i += 2) lines.push(String(flat[i]).padStart(3), String(flat[i + 1]))
  return `${lines.join('\r\n')}\r\n`
}
