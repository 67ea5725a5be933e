import { containsPoint } from '../geometry/polygon'
import { add3, cross3, dot3, middle3, scale3, sub3, unit3, type Vec2, type Vec3 } from '../geometry/vector'
import { castOn, type NamedCast } from '../shade/cast'
import { type Caster, type Horizon, type Receiver } from '../shade/engine'
import { sampleGrid } from '../shade/sample-grid'
import { patches } from '../shade/sky-patches'
import { type SunTable } from '../shade/sun-table'
import { beamByNode, hoursByNode, yearByPoint, type OpenLight } from '../shade/year-light'
import { type SunHours } from '../sun/sun-hours'
import { type PlaneLight } from './plane-light'
import { isSunTime, monthsIn, type SunSpan } from './sun-span'

/** Cells of the map, m. */
export const sunMapStepM = 0.25
/** The map is laid as tiles of the points that a module is sampled at. */
const tileGroups = { strips: 3, halves: 2 } as const

/** The light of a span on a roof plane, cell by cell: kWh/m² behind a module's glass, or for a `SunTime` hours of sun a day. */
export interface FaceSunMap {
  /** Corner of the first cell; cells go on along `across` (level) and up the slope along `along`, unit vectors. */
  readonly origin: Vec3
  readonly across: Vec3
  readonly along: Vec3
  readonly columns: number
  readonly rows: number
  /** Side of a cell, m. */
  readonly stepM: number
  /** In the middle of each cell, row after row; 0 where the tile has none of the plane. */
  readonly values: Float32Array
  /** The same without shade. */
  readonly open: number
}

/**
 * One map for each span.
 * @param face a flat polygon, and its upward unit normal
 * @param light on the open plane, with the sun that `table` was made for
 * @param horizonAt what stands far off, seen from a point of the face
 */
export function faceSunMaps(
  face: { readonly corners: readonly Vec3[]; readonly normal: Vec3 },
  casters: readonly Caster[],
  light: PlaneLight,
  sun: SunHours,
  table: SunTable,
  spans: readonly SunSpan[],
  horizonAt: (middle: Vec3) => Horizon | undefined = () => undefined,
): FaceSunMap[] {
  const { normal, corners } = face
  const level = Math.hypot(normal[0], normal[1])
  const across: Vec3 = level > 1e-6 ? [-normal[1] / level, normal[0] / level, 0] : [1, 0, 0]
  const along = unit3(cross3(normal, across))
  const first = corners[0] ?? [0, 0, 0]
  const outline = corners.map((corner): Vec2 => {
    const at = sub3(corner, first)
    return [dot3(at, across), dot3(at, along)]
  })
  const [x0, y0] = [Math.min(...outline.map(([x]) => x)), Math.min(...outline.map(([, y]) => y))]
  const { columns: tileColumns, rows: tileRows } = sampleGrid(tileGroups)
  const [tileX, tileY] = [tileColumns * sunMapStepM, tileRows * sunMapStepM]
  const across2 = Math.max(1, Math.ceil((Math.max(...outline.map(([x]) => x)) - x0) / tileX))
  const along2 = Math.max(1, Math.ceil((Math.max(...outline.map(([, y]) => y)) - y0) / tileY))
  const origin = add3(first, add3(scale3(across, x0), scale3(along, y0)))
  const at = (x: number, y: number): Vec3 => add3(origin, add3(scale3(across, x), scale3(along, y)))
  const tiles = Array.from(
    { length: across2 * along2 },
    (_, k) => [k % across2, Math.floor(k / across2)] as const,
  ).filter(([i, j]) => meets(outline, [x0 + i * tileX, y0 + j * tileY]))
  const receivers = tiles.map(([i, j]): Receiver => {
    const [x, y] = [i * tileX, j * tileY]
    return [at(x, y), at(x + tileX, y), at(x + tileX, y + tileY), at(x, y + tileY)]
  })
  const casts = casters.map((caster) =>
    castOn(receivers, tileGroups, caster, table.direction, patches.direction),
  )
  const beam = beamByNode(light.direct, sun.month, sun.stepMinutes, normal, table)
  const opens = spans.map((span): OpenLight =>
    isSunTime(span)
      ? { beam: hoursByNode(sun, normal, table, monthsIn(span)), dome: 0, band: 0, ground: 0 }
      : {
          beam: span === 'year' ? beam : monthOf(beam, span),
          dome: kwhOf(light.dome, sun, span),
          band: kwhOf(light.horizon, sun, span),
          ground: kwhOf(light.ground, sun, span),
        },
  )
  const [columns, rows] = [across2 * tileColumns, along2 * tileRows]
  const layers = opens.map(() => new Float32Array(columns * rows))
  tiles.forEach(([i, j], t) => {
    const own = casts.flatMap((cast, c): NamedCast[] => {
      const on = cast[t]
      return on ? [{ caster: String(c), cast: on }] : []
    })
    const [low, , high] = receivers[t] as Receiver
    const horizon = horizonAt(middle3(low, high))
    opens.forEach((open, span) => {
      const points = yearByPoint(receivers[t] as Receiver, tileGroups, own, table, open, horizon)
      for (let row = 0; row < tileRows; row++)
        layers[span]?.set(
          points.subarray(row * tileColumns, (row + 1) * tileColumns),
          (j * tileRows + row) * columns + i * tileColumns,
        )
    })
  })
  return opens.map((open, span) => ({
    origin,
    across,
    along,
    columns,
    rows,
    stepM: sunMapStepM,
    values: mended(layers[span] ?? new Float32Array()),
    open: open.beam.reduce((sum, value) => sum + value, 0) + open.dome + open.band + open.ground,
  }))

  /** Cells whose middle lies beyond the plane's edge, where another roof may stand on it, have what those beside them have. */
  function mended(values: Float32Array): Float32Array {
    const isOn = Uint8Array.from(values, (_, k) =>
      containsPoint(outline, [
        x0 + ((k % columns) + 0.5) * sunMapStepM,
        y0 + (Math.floor(k / columns) + 0.5) * sunMapStepM,
      ])
        ? 1
        : 0,
    )
    return values.map((value, k) => {
      if (isOn[k] === 1) return value
      const [column, row] = [k % columns, Math.floor(k / columns)]
      let [sum, count] = [0, 0]
      for (let r = Math.max(0, row - 1); r <= Math.min(rows - 1, row + 1); r++)
        for (let c = Math.max(0, column - 1); c <= Math.min(columns - 1, column + 1); c++)
          if (isOn[r * columns + c] === 1) {
            sum += values[r * columns + c] as number
            count++
          }
      return count > 0 ? sum / count : value
    })
  }

  /** Whether a tile has any of the plane: one of its points, or a corner of the plane. */
  function meets(polygon: readonly Vec2[], [x, y]: Vec2): boolean {
    if (polygon.some(([px, py]) => px >= x && px <= x + tileX && py >= y && py <= y + tileY)) return true
    for (let row = 0; row < tileRows; row++)
      for (let column = 0; column < tileColumns; column++)
        if (containsPoint(polygon, [x + (column + 0.5) * sunMapStepM, y + (row + 0.5) * sunMapStepM]))
          return true
    return false
  }
}

const kwhOf = (watts: Float64Array, { month, stepMinutes }: SunHours, span: 'year' | number) =>
  (watts.reduce((sum, value, k) => (span === 'year' || month[k] === span ? sum + value : sum), 0) *
    stepMinutes) /
  60_000

/** One month's beam of twelve. */
function monthOf(beam: Float64Array, month: number): Float64Array {
  const nodes = beam.length / 12
  const one = new Float64Array(beam.length)
  one.set(beam.subarray(month * nodes, (month + 1) * nodes), month * nodes)
  return one
}
