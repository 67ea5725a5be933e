import { type Run } from '../graph/run'
import { modelYear } from '../model/model-year'
import { type Vec3 } from '../geometry/vector'
import { type ReceiverShade } from '../shade/engine'
import { siteStage } from '../stages/site'
import { sunStage } from '../stages/sun'
import { visibilityStage } from '../stages/visibility'
import { type World } from '../stages/world'
import { csvLine, figure, timeIn } from './csv'

/** What the factors are told for: each module, each array, each roof plane, or all that look the same way. */
export const shadeGroupings = ['module', 'array', 'plane', 'direction'] as const
export type ShadeGrouping = (typeof shadeGroupings)[number]

/** Modules that stand in one column. */
interface Column {
  readonly name: string
  readonly shades: ReceiverShade[]
}

/**
 * Hourly shade factors: the share of the beam that reaches the modules of a column, its mean over them, 1 where nothing
 * stands in the way or no beam is; then the share of the sky's diffuse light that does, the same all year. Whoever takes
 * them counts no other loss for shade.
 * @param nameOf what an object is called
 * @param timeZoneHours standard time that the intervals are counted in
 */
export function shadeCsv(
  run: Run<World>,
  grouping: ShadeGrouping,
  nameOf: (id: string) => string,
  timeZoneHours: number,
): string {
  const columns = columnsOf(run, grouping, nameOf)
  const sun = run.value(sunStage)
  const beams = columns.map(({ shades }) => {
    const lit = new Float64Array(sun.intervals).fill(1)
    for (const { shaded, litMean } of shades)
      shaded.forEach((entry, row) => {
        const i = sun.interval[entry] as number
        lit[i] = (lit[i] as number) - (1 - (litMean[row] as number)) / shades.length
      })
    return lit
  })
  const skies = columns.map(
    ({ shades }) => shades.reduce((sum, { domeSeen }) => sum + domeSeen, 0) / shades.length,
  )
  const header = ['time', ...columns.flatMap(({ name }) => [`${name} beam`, `${name} sky`])]
  const rows = Array.from({ length: sun.intervals }, (_, i) => [
    timeIn(modelYear, i * sun.stepMinutes, timeZoneHours),
    ...beams.flatMap((lit, c) => [figure(Math.max(0, lit[i] as number), 5), figure(skies[c] as number, 5)]),
  ])
  return `${[header, ...rows].map(csvLine).join('\n')}\n`
}

function columnsOf(run: Run<World>, grouping: ShadeGrouping, nameOf: (id: string) => string): Column[] {
  const shades = run.value(visibilityStage)
  const columns = new Map<string, Column>()
  let at = 0
  for (const { id, plane, panels } of run.value(siteStage).faces)
    for (const panel of panels) {
      const shade = shades[at++]?.value
      if (!shade) continue
      const facing = `tilt ${plane.pitchDeg.toFixed(1)} azimuth ${plane.azimuthDeg.toFixed(1)}`
      const [key, name] = {
        module: [panel.id, `${nameOf(id)} ${panel.slot}`],
        array: [id, nameOf(id)],
        plane: [planeKey(plane.normal, panel.corners[0]), `${nameOf(id)}, plane`],
        direction: [facing, facing],
      }[grouping] as [string, string]
      const column = columns.get(key)
      if (column) column.shades.push(shade)
      else columns.set(key, { name, shades: [shade] })
    }
  // Names that two would have are told apart by their number.
  const used = new Map<string, number>()
  return [...columns.values()].map((column) => {
    const times = (used.get(column.name) ?? 0) + 1
    used.set(column.name, times)
    return times === 1 ? column : { ...column, name: `${column.name} ${times}` }
  })
}

/** The same for all that lies in one plane. */
const planeKey = (normal: Vec3, point: Vec3) =>
  [...normal, normal[0] * point[0] + normal[1] * point[1] + normal[2] * point[2]]
    .map((value) => Math.round(value * 1e4))
    .join(' ')
