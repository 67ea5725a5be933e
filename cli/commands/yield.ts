import { monthOfDay } from '@/core/model/model-year'
import { type Command } from 'commander'
import { z } from 'zod'
import { defaultLosses, lossesKind } from '@/core/model/kinds/losses'
import { closeRoof, openRack } from '@/core/energy/cell-temperature'
import { type InverterType, type ModuleType } from '@/core/electrical/catalogue'
import { acYear } from '@/core/pipeline/ac'
import { dcYear } from '@/core/pipeline/dc'
import { panelLight } from '@/core/pipeline/panel-light'
import { type SunHours } from '@/core/sun/sun-hours'
import { type ReceiverShade } from '@/core/shade/engine'
import { csv, print, readCase, readWeather, writeText } from '../files'
import { lightOn, sunOf } from '../plane-year'

const share = z.number().min(0).max(0.9)
const positive = z.number().positive()

const caseSchema = z.object({
  weather: z.string().min(1),
  arrays: z
    .array(
      z.object({
        tiltDeg: z.number().min(0).max(90),
        azimuthDeg: z.number().min(-360).max(360),
        modules: z.number().int().min(1).max(100_000),
        module: z.object({
          powerW: positive.max(2000),
          powerPerK: z.number().min(-0.02).max(0.01).optional(),
        }),
        mount: z.enum(['roof', 'open']).optional(),
      }),
    )
    .min(1, 'at least one array'),
  inverter: z.object({
    acPowerW: positive,
    efficiency: z.number().min(0.5).max(1).optional(),
    nightW: z.number().min(0).max(100).optional(),
  }),
  losses: z
    .object({
      soiling: share,
      lightInduced: share,
      nameplate: share,
      wiring: share,
      connections: share,
      availability: share,
    })
    .partial()
    .optional(),
  albedo: z.number().min(0).max(1).optional(),
})

const defaultPowerPerK = -0.0035
const oneGroup = { strips: 1, halves: 1 } as const

/** A module in the open, as the shade engine would report it. */
const openShade = (sun: SunHours): ReceiverShade => ({
  id: 'open',
  groups: 1,
  litWorst: new Float32Array(sun.interval.length).fill(1),
  litMean: new Float32Array(sun.interval.length).fill(1),
  domeSeen: 1,
  horizonSeen: 1,
  blockedBy: new Map(),
})

export function addYield(gable: Command): void {
  gable
    .command('yield')
    .description('AC energy of unshaded arrays over a year')
    .option('--in <file>', 'the case as JSON; standard input when not given')
    .option('--hourly <file>', 'writes every interval as CSV')
    .action((options: { in?: string; hourly?: string }) => {
      const given = readCase(options, caseSchema)
      const weather = readWeather(given.weather, options.in)
      const sun = sunOf(weather)
      const losses = lossesKind.schema.parse({ ...defaultLosses, ...given.losses })
      const powerW = new Float64Array(sun.interval.length)
      const sums = {
        sun: 0,
        through: 0,
        dirt: 0,
        heat: 0,
        lightInduced: 0,
        nameplate: 0,
        wiring: 0,
        connections: 0,
      }
      let dcPowerW = 0
      for (const array of given.arrays) {
        const light = lightOn(weather, sun, array.tiltDeg, array.azimuthDeg, given.albedo ?? 0.2, 'perez')
        const lit = panelLight(light, openShade(sun), oneGroup, sun.stepMinutes)
        // In the open all modules of an array are alike: one stands for them.
        const whole = array.modules * array.module.powerW
        const module = { powerW: whole, powerPerK: array.module.powerPerK ?? defaultPowerPerK } as ModuleType
        const dc = dcYear(
          [{ panels: [lit], connected: true }],
          module,
          losses,
          weather,
          sun,
          array.mount === 'open' ? openRack : closeRoof,
        )
        dc.powerW.forEach((watts, k) => (powerW[k] = (powerW[k] as number) + watts))
        dcPowerW += whole
        sums.sun += ((light.parts.beam + light.parts.sky + light.parts.ground) * whole) / 1000
        sums.through += (lit.meanKwhM2 * whole) / 1000
        for (const name of ['dirt', 'heat', 'lightInduced', 'nameplate', 'wiring', 'connections'] as const)
          sums[name] += dc.lostKwh[name]
      }
      const inverter = {
        acPowerW: given.inverter.acPowerW,
        efficiency: given.inverter.efficiency ?? 0.96,
        nightW: given.inverter.nightW ?? 0,
      } as InverterType
      const ac = acYear(powerW, sun, inverter, losses.availability, true)
      const monthly = new Array<number>(12).fill(0)
      ac.kwhByInterval.forEach((kwh, i) => {
        const month = monthOfDay(Math.floor((i * sun.stepMinutes) / 1440))
        monthly[month] = (monthly[month] as number) + kwh
      })
      if (options.hourly)
        writeText(
          options.hourly,
          csv(
            ['interval', 'acKwh'],
            Array.from(ac.kwhByInterval, (kwh, i) => [i, kwh.toFixed(4)]),
          ),
        )
      print({
        acKwh: ac.kwh,
        monthlyAcKwh: monthly,
        kwhPerKwp: (ac.kwh / dcPowerW) * 1000,
        performanceRatio: sums.sun > 0 ? ac.kwh / sums.sun : 0,
        clippedKwh: ac.clippedKwh,
        lossChain: chain(sums.sun, [
          ['reflection', sums.sun - sums.through],
          ['dirt', sums.dirt],
          ['heat', sums.heat],
          ['light-induced', sums.lightInduced],
          ['nameplate', sums.nameplate],
          ['wiring', sums.wiring],
          ['connections', sums.connections],
          ['inverter', ac.inverterLostKwh + ac.nightKwh],
          ['clipping', ac.clippedKwh],
          ['availability', ac.unavailableKwh],
        ]),
      })
    })
}

/** Each loss with the factor it leaves and the energy after it. */
function chain(start: number, lost: readonly (readonly [string, number])[]) {
  let rest = start
  return [
    { name: 'sun', factor: 1, kwh: start },
    ...lost.map(([name, kwh]) => {
      const factor = rest > 0 ? (rest - kwh) / rest : 1
      rest -= kwh
      return { name, factor, kwh: rest }
    }),
  ]
}
