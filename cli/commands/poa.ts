import { Option, type Command } from 'commander'
import { monthsOf } from '@/core/model/model-year'
import { byMonth } from '@/core/pipeline/loss-chain'
import { type SkyModel } from '@/core/weather/sky-year'
import { csv, number, print, readWeatherFile, writeText } from '../files'
import { intervalTimes, lightOn, sunOf } from '../plane-year'

interface Options {
  readonly weather: string
  readonly tilt: number
  readonly azimuth: number
  readonly model: SkyModel
  readonly albedo: number
  readonly hourly?: string
}

export function addPoa(gable: Command): void {
  gable
    .command('poa')
    .description('Irradiation on a plane over a year, before incidence losses')
    .requiredOption('--weather <file>', 'EPW or CSV file')
    .requiredOption('--tilt <deg>', 'from the horizontal', number('tilt', 0, 180))
    .requiredOption('--azimuth <deg>', 'clockwise from north', number('azimuth', -360, 360))
    .addOption(new Option('--model <model>', 'of the sky').choices(['perez', 'hay-davies']).default('perez'))
    .option('--albedo <share>', 'of the ground', number('albedo', 0, 1), 0.2)
    .option('--hourly <file>', 'writes every interval as CSV')
    .action((options: Options) => {
      // The ground is what was asked for, whatever the file says of snow.
      const year = { ...readWeatherFile(options.weather).year, albedo: null, snowDepthM: null }
      const sun = sunOf(year)
      const light = lightOn(year, sun, options.tilt, options.azimuth, options.albedo, options.model)
      const total = light.beam.map(
        (beam, k) => beam + (light.sky[k] as number) + (light.groundward[k] as number),
      )
      const months = byMonth(total, monthsOf(sun.stepMinutes), sun.stepMinutes / 60_000, sun.interval)
      if (options.hourly) {
        const columns = [light.beam, light.sky, light.groundward]
        const rows = intervalTimes(year).map((time): (string | number)[] => [time, 0, 0, 0, 0])
        sun.interval.forEach((i, k) => {
          rows[i]?.splice(
            1,
            4,
            (total[k] as number).toFixed(2),
            ...columns.map((series) => (series[k] as number).toFixed(2)),
          )
        })
        writeText(options.hourly, csv(['time', 'poaWm2', 'beamWm2', 'skyDiffuseWm2', 'groundWm2'], rows))
      }
      print({
        annualKwhM2: light.parts.beam + light.parts.sky + light.parts.ground,
        beamKwhM2: light.parts.beam,
        skyDiffuseKwhM2: light.parts.sky,
        groundKwhM2: light.parts.ground,
        monthlyKwhM2: months.monthly,
      })
    })
}
