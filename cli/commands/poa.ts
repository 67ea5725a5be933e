import { monthOfDay } from '@/core/model/model-year'
import { Option, type Command } from 'commander'
import { type SkyModel } from '@/core/pipeline/plane-light'
import { csv, number, print, readWeather, writeText } from '../files'
import { lightOn, sunOf } from '../plane-year'

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
    .requiredOption('--weather <file>', 'EPW file')
    .requiredOption('--tilt <deg>', 'from the horizontal', number('tilt', 0, 180))
    .requiredOption('--azimuth <deg>', 'clockwise from north', number('azimuth', -360, 360))
    .addOption(new Option('--model <model>', 'of the sky').choices(['perez', 'hay-davies']).default('perez'))
    .option('--albedo <share>', 'of the ground', number('albedo', 0, 1), 0.2)
    .option('--hourly <file>', 'writes every interval as CSV')
    .action((options: Options) => {
      const weather = readWeather(options.weather)
      const sun = sunOf(weather)
      const { incident, parts } = lightOn(
        weather,
        sun,
        options.tilt,
        options.azimuth,
        options.albedo,
        options.model,
      )
      const monthly = new Array<number>(12).fill(0)
      const series = new Float64Array(sun.intervals)
      incident.forEach((watts, k) => {
        const i = sun.interval[k] as number
        series[i] = watts
        const month = monthOfDay(Math.floor((i * sun.stepMinutes) / 1440))
        monthly[month] = (monthly[month] as number) + (watts * sun.stepMinutes) / 60_000
      })
      if (options.hourly)
        writeText(
          options.hourly,
          csv(
            ['interval', 'poaWm2'],
            Array.from(series, (w, i) => [i, w.toFixed(2)]),
          ),
        )
      print({
        annualKwhM2: parts.beam + parts.sky + parts.ground,
        beamKwhM2: parts.beam,
        skyDiffuseKwhM2: parts.sky,
        groundKwhM2: parts.ground,
        monthlyKwhM2: monthly,
      })
    })
}
