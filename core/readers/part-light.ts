import { type PanelLight } from '../energy/panel-light'
import { type PlaneLight } from '../energy/plane-light'
import { type Run } from '../graph/run'
import { type ReceiverShade } from '../shade/engine'
import { zoneAt, zones } from '../shade/sky-zones'
import { clockStage } from '../stages/clock'
import { panelLightStage } from '../stages/panel-light'
import { planeLightStage } from '../stages/plane-light'
import { siteStage } from '../stages/site'
import { sunStage } from '../stages/sun'
import { visibilityStage } from '../stages/visibility'
import { type World } from '../stages/world'
import { csvLine, figure } from './csv'

/** Hours of a day and months of a year. */
const [dayHours, yearMonths] = [24, 12]

/** Light of the hours of a day in each month, kWh/m² behind the glass, as `month * 24 + hour of the local clock`. */
export interface HoursByMonth {
  readonly open: Float64Array
  readonly left: Float64Array
}

/** A year of light on some of the modules, a mean over them. */
export interface PartLight {
  readonly modules: number
  /** One an interval: what is left, W/m² behind the glass, and the share of it that shade took. */
  readonly sun: Float32Array
  readonly shade: Float32Array
  /** What casts shade on them, and of it what takes most of the beam in each interval: its place in the list from 1 on, or 0. */
  readonly casters: readonly string[]
  readonly worst: Uint16Array
  /** Around the sun; from the rest of the sky; both and what the ground reflects. */
  readonly beam: HoursByMonth
  readonly sky: HoursByMonth
  readonly all: HoursByMonth
  /** Beam lost to shade by where the sun stands, kWh/m² a year, one a patch of `zoneAt`. */
  readonly lostByZone: Float64Array
}

const hoursByMonth = (): HoursByMonth => ({
  open: new Float64Array(dayHours * yearMonths),
  left: new Float64Array(dayHours * yearMonths),
})

interface Lit {
  readonly light: PlaneLight
  readonly panel: PanelLight
  readonly shade: ReceiverShade
}

/** The modules that are meant: those of the ids, whole arrays among them; all where none is named. */
function litModules(run: Run<World>, ids: readonly string[]): Lit[] {
  const wanted = new Set(ids)
  const [planes, lights, shades] = [
    run.value(planeLightStage),
    run.value(panelLightStage),
    run.value(visibilityStage),
  ]
  let at = 0
  return run.value(siteStage).faces.flatMap(({ id: arrayId, panels }, a) =>
    panels.flatMap(({ id }) => {
      const [light, panel, shade] = [planes[a]?.value, lights[at]?.value, shades[at]?.value]
      at++
      const isMeant = wanted.size === 0 || wanted.has(id) || wanted.has(arrayId)
      return isMeant && light && panel && shade ? [{ light, panel, shade }] : []
    }),
  )
}

/**
 * The year's light on some of the modules: hour by hour, month by month, and by where the sun stands.
 * @param ids of modules and arrays; none for all modules
 * @returns null where none of them is laid
 */
export function partLight(run: Run<World>, ids: readonly string[]): PartLight | null {
  const modules = litModules(run, ids)
  if (modules.length === 0) return null
  const sun = run.value(sunStage)
  const clock = run.value(clockStage)
  const { length } = sun.interval
  const casters = [...new Set(modules.flatMap(({ shade }) => shade.takenBy.map(({ caster }) => caster)))]
  const most = new Float64Array(length)
  const of = new Uint16Array(length)
  for (const [c, caster] of casters.entries()) {
    const taken = takenFrom(modules, caster, length)
    for (let k = 0; k < length; k++)
      if ((taken[k] as number) > (most[k] as number)) {
        most[k] = taken[k] as number
        of[k] = c + 1
      }
  }
  const out = {
    modules: modules.length,
    sun: new Float32Array(sun.intervals),
    shade: new Float32Array(sun.intervals),
    casters,
    worst: new Uint16Array(sun.intervals),
    beam: hoursByMonth(),
    sky: hoursByMonth(),
    all: hoursByMonth(),
    lostByZone: new Float64Array(zones.across * zones.up),
  }
  const sums = sumsOf(modules, length)
  const kwh = sun.stepMinutes / 60_000 / modules.length
  for (let k = 0; k < length; k++) {
    const i = sun.interval[k] as number
    const [direct, lit, open, seen, ground, left] = sums.map((series) => series[k] as number) as Six
    const whole = direct + open + ground
    out.sun[i] = left / modules.length
    out.shade[i] = whole > 1 ? Math.max(0, 1 - left / whole) : 0
    out.worst[i] = of[k] as number
    const cell = (clock.month[i] as number) * dayHours + (clock.hour[i] as number)
    add(out.beam, cell, direct * kwh, lit * kwh)
    add(out.sky, cell, open * kwh, seen * kwh)
    add(out.all, cell, whole * kwh, (lit + seen + ground) * kwh)
    const patch = zoneAt(sun.azimuthDeg[k] as number, 90 - (sun.zenithDeg[k] as number))
    out.lostByZone[patch] = (out.lostByZone[patch] as number) + (direct - lit) * kwh
  }
  return out
}

type Six = [number, number, number, number, number, number]

function add({ open, left }: HoursByMonth, cell: number, whole: number, rest: number): void {
  open[cell] = (open[cell] as number) + whole
  left[cell] = (left[cell] as number) + rest
}

/** Sums over modules, W/m² an entry: beam, what is lit of it; sky, what is seen of it; ground; all that is left. */
function sumsOf(modules: readonly Lit[], length: number): readonly Float64Array[] {
  const sums = Array.from({ length: 6 }, () => new Float64Array(length))
  const [direct, lit, open, seen, ground, left] = sums as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  for (const { light, panel, shade } of modules) {
    let at = 0
    for (let k = 0; k < length; k++) {
      const isShaded = shade.shaded[at] === k
      const share = isShaded ? (shade.litMean[at] as number) : 1
      if (isShaded) at++
      const [beam, dome, band] = [light.direct[k], light.dome[k], light.horizon[k]] as [
        number,
        number,
        number,
      ]
      direct[k] = (direct[k] as number) + beam
      lit[k] = (lit[k] as number) + beam * share
      open[k] = (open[k] as number) + dome + band
      seen[k] = (seen[k] as number) + dome * shade.domeSeen + band * shade.horizonSeen
      ground[k] = (ground[k] as number) + (light.ground[k] as number)
      left[k] = (left[k] as number) + (panel.mean[k] as number)
    }
  }
  return sums
}

/** What a caster takes of the beam on all of them, W/m² an entry. */
function takenFrom(modules: readonly Lit[], caster: string, length: number): Float64Array {
  const out = new Float64Array(length)
  for (const { light, shade } of modules)
    for (const taken of shade.takenBy)
      if (taken.caster === caster)
        taken.at.forEach((k, row) => {
          out[k] = (out[k] as number) + (taken.share[row] as number) * (light.direct[k] as number)
        })
  return out
}

/** Share of the light that is left in an hour of a month; null where none comes. */
export function accessIn({ open, left }: HoursByMonth, month: number, hour: number): number | null {
  const cell = month * dayHours + hour
  const whole = open[cell] ?? 0
  return whole > 0.0005 ? Math.max(0, Math.min(1, (left[cell] ?? 0) / whole)) : null
}

/** The same for a whole month, or for the year where no month is said; 1 where no light comes. */
export function accessOver({ open, left }: HoursByMonth, month?: number): number {
  const cells = month === undefined ? [0, open.length] : [month * dayHours, (month + 1) * dayHours]
  const sum = (values: Float64Array) => values.subarray(...cells).reduce((a, b) => a + b, 0)
  const whole = sum(open)
  return whole > 0 ? sum(left) / whole : 1
}

/**
 * Sun access hour by month as a table: month, hour of the local clock, light without shade in kWh/m², and the share of it
 * that is left, of the beam, of the sky and of both with what the ground reflects; nothing where no light comes.
 */
export function accessCsv({ beam, sky, all }: Pick<PartLight, 'beam' | 'sky' | 'all'>): string {
  const share = (of: HoursByMonth, month: number, hour: number) => {
    const value = accessIn(of, month, hour)
    return value === null ? '' : figure(value, 4)
  }
  const rows = Array.from({ length: yearMonths * dayHours }, (_, cell) => {
    const [month, hour] = [Math.floor(cell / dayHours), cell % dayHours]
    return [
      String(month + 1),
      String(hour),
      figure(all.open[cell] ?? 0, 4),
      share(beam, month, hour),
      share(sky, month, hour),
      share(all, month, hour),
    ]
  })
  const header = ['month', 'hour', 'unshaded kWh/m2', 'beam access', 'sky access', 'sun access']
  return `${[header, ...rows].map(csvLine).join('\n')}\n`
}
