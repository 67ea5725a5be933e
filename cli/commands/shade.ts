import { Option, type Command } from 'commander'
import { sunAccess } from '@/core/energy/sun-access'
import { modelYear } from '@/core/model/model-year'
import { farHorizon } from '@/core/shade/far-horizon'
import { bodiesOf, litByInterval, shadeOn, type SurfaceShade } from '@/core/shade/scene'
import { sunHours, type SunHours } from '@/core/sun/sun-hours'
import { addCaseCommand, type Question } from '../case-command'
import { csv, writeFile } from '../files'
import { sunOf, timesOf } from '../plane-year'
import { weatherFileOnce } from '../weather-files'
import { shadeCase, type ShadeCase } from './shade-case'

const usualStep = 60
/** The name that the horizon's share stands under. */
const horizonId = 'horizon'

function answer(given: ShadeCase, beside?: string): object {
  const start = performance.now()
  const { site, surfaces, occluders, horizon: heights } = given
  const weather = given.weather === undefined ? null : weatherFileOnce(given.weather, beside).year
  const step = given.step ?? weather?.stepMinutes ?? usualStep
  const place = { latitudeDeg: site.lat, longitudeDeg: site.lon, elevationM: site.elevationM }
  const sun = sunHours(place, site.timeZoneHours, step, given.year)
  // The weather's own intervals say how much light came when; most scenes are shaded in just these.
  const isWeathers =
    weather !== null &&
    step === weather.stepMinutes &&
    site.timeZoneHours === weather.timeZoneHours &&
    (given.year ?? modelYear) === modelYear
  const weatherSun = weather && (isWeathers ? sun : sunOf({ ...weather, ...place }))
  const casters = occluders.map(bodiesOf)
  const horizon = heights && farHorizon(heights)
  const shaded = surfaces.map(({ corners }) => shadeOn(corners, casters, sun, horizon))
  const answers = surfaces.map(({ id, corners }, i) => {
    const found = shaded[i] as SurfaceShade
    const access =
      weather &&
      weatherSun &&
      sunAccess(
        isWeathers ? found : shadeOn(corners, casters, weatherSun, horizon),
        weather,
        weatherSun,
        given.albedo,
      )
    return {
      id,
      skyView: found.skyView,
      beamShadedShare: found.beamShadedShare,
      ...(access ? { sunAccess: access.year, monthlySunAccess: access.monthly } : {}),
      lossByOccluder: lossesOf(found, occluders, horizon !== undefined),
    }
  })
  if (given.hourly !== undefined) writeFile(given.hourly, hourly(given, shaded, sun))
  return { surfaces: answers, milliseconds: performance.now() - start }
}

/** Shares of the beam by what blocks them; together they are the share that is blocked. */
function lossesOf(
  { beamShadedShare, shareBy }: SurfaceShade,
  occluders: ShadeCase['occluders'],
  withHorizon: boolean,
): Readonly<Record<string, number>> {
  const losses = new Map<string, number>()
  occluders.forEach(({ id }, c) => losses.set(id, (losses.get(id) ?? 0) + (shareBy[c] ?? 0)))
  const rest = beamShadedShare - shareBy.reduce((a, b) => a + b, 0)
  if (withHorizon) losses.set(horizonId, (losses.get(horizonId) ?? 0) + Math.max(0, rest))
  return Object.fromEntries(losses)
}

function hourly({ site, year, surfaces }: ShadeCase, shaded: readonly SurfaceShade[], sun: SunHours): string {
  const columns = shaded.map((surface) => litByInterval(surface, sun))
  const rows = timesOf(site.timeZoneHours, sun.stepMinutes, sun.intervals, year).map((time, i) => [
    time,
    ...columns.map((lit) => Number((lit[i] as number).toFixed(4))),
  ])
  return csv(['time', ...surfaces.map(({ id }) => id)], rows)
}

const question: Question<ShadeCase> = { schema: shadeCase, answer }

export function addShade(gable: Command): void {
  const command = gable
    .command('shade')
    .description('A year of shade on the surfaces of a scene')
    .option('--weather <file>', 'EPW or CSV file; gives the sun access as well')
    .option('--step <minutes>', 'length of an interval; the weather’s, or 60', Number)
    .addOption(new Option('--hourly <file>', 'writes the lit share of the beam as CSV').conflicts('lines'))
  addCaseCommand(command, question, ({ weather, step, hourly: file }) => ({
    ...(weather === undefined ? {} : { weather }),
    ...(step === undefined ? {} : { step }),
    ...(file === undefined ? {} : { hourly: file }),
  }))
}
