import { type Command } from 'commander'
import { z } from 'zod'
import { byMonth } from '@/core/energy/loss-chain'
import { monthsOf } from '@/core/model/model-year'
import { type Question } from '../case-command'
import { csv, writeFile } from '../files'
import { addOptionCommand, numberField } from '../options'
import { intervalTimes, lightOn, sunOf } from '../plane-year'
import { weatherFileOnce } from '../weather-files'

const numbers = {
  tilt: { low: 0, high: 180, placeholder: 'deg', says: 'from the horizontal' },
  azimuth: { low: -360, high: 360, placeholder: 'deg', says: 'clockwise from north' },
  albedo: { low: 0, high: 1, placeholder: 'share', says: 'of the ground; 0.2 when not given' },
} as const

const texts = {
  weather: { placeholder: 'file', says: 'EPW or CSV file' },
  model: { placeholder: 'model', says: 'of the sky: perez (when not given) or hay-davies' },
  hourly: { placeholder: 'file', says: 'writes every interval as CSV' },
} as const

const schema = z.object({
  weather: z.string().min(1),
  tilt: numberField(numbers.tilt),
  azimuth: numberField(numbers.azimuth),
  albedo: numberField(numbers.albedo).default(0.2),
  model: z.enum(['perez', 'hay-davies']).default('perez'),
  hourly: z.string().min(1).optional(),
})

function answer(given: z.infer<typeof schema>): object {
  // The ground is what was asked for, whatever the file says of snow.
  const year = { ...weatherFileOnce(given.weather).year, albedo: null, snowDepthM: null }
  const sun = sunOf(year)
  const light = lightOn(year, sun, given.tilt, given.azimuth, given.albedo, given.model)
  const total = light.beam.map(
    (beam, k) => beam + (light.sky[k] as number) + (light.groundReflected[k] as number),
  )
  const months = byMonth(total, monthsOf(sun.stepMinutes), sun.stepMinutes / 60_000, sun.interval)
  if (given.hourly !== undefined) {
    const columns = [light.beam, light.sky, light.groundReflected]
    const rows = intervalTimes(year).map((time): (string | number)[] => [time, 0, 0, 0, 0])
    sun.interval.forEach((i, k) => {
      rows[i]?.splice(
        1,
        4,
        (total[k] as number).toFixed(2),
        ...columns.map((series) => (series[k] as number).toFixed(2)),
      )
    })
    writeFile(given.hourly, csv(['time', 'poaWm2', 'beamWm2', 'skyDiffuseWm2', 'groundWm2'], rows))
  }
  return {
    annualKwhM2: light.parts.beam + light.parts.sky + light.parts.ground,
    beamKwhM2: light.parts.beam,
    skyDiffuseKwhM2: light.parts.sky,
    groundKwhM2: light.parts.ground,
    monthlyKwhM2: months.monthly,
  }
}

const question: Question<z.infer<typeof schema>> = { schema, answer }

export function addPoa(gable: Command): void {
  addOptionCommand(
    gable.command('poa').description('Irradiation on a plane over a year, before incidence losses'),
    question,
    { numbers, texts },
  )
}
