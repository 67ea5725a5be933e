import { Option, type Command } from 'commander'
import { monthsOf } from '@/core/model/model-year'
import {
  heatFromNoct,
  heatOverRoof,
  mountHeat,
  openHeat,
  type HeatLoss,
} from '@/core/energy/cell-temperature'
import { windShare } from '@/core/energy/wind'
import { fitDiode } from '@/core/energy/fit-diode'
import { diodePower, linearPower } from '@/core/energy/module-power'
import { acYear } from '@/core/energy/ac'
import { dcYear, type DcYear } from '@/core/energy/dc'
import { lossChain, lossSteps, type LossChain } from '@/core/energy/loss-chain'
import { openString } from '@/core/energy/open-chain'
import { slideTiltDeg, snowOnPlane } from '@/core/energy/snow-on-plane'
import { normalOf, trackedNormals } from '@/core/sun/tracker'
import { type SunHours } from '@/core/sun/sun-hours'
import { type SettledLosses } from '@/core/kinds/losses/first-year'
import { type WeatherYear } from '@/core/weather/weather-year'
import { addCaseCommand, type Question } from '../case-command'
import { csv, writeFile } from '../files'
import { intervalTimes, lightFacing, sunOf } from '../plane-year'
import { weatherFileOnce } from '../weather-files'
import { problemOut } from './weather'
import { lossesIn, yieldCase, type YieldCase } from './yield-case'

const defaultPowerPerK = -0.0035

function answer(given: YieldCase, beside?: string): object {
  const { year, problems } = weatherFileOnce(given.weather, beside)
  const sun = sunOf(year)
  const losses = lossesIn(given.losses)
  const dcs = given.arrays.map((array) => arrayYear(array, given, losses, year, sun))
  const dc = dcs.length === 1 && dcs[0] ? dcs[0] : together(dcs)
  const inverter = {
    acPowerW: given.inverter.acPowerW,
    efficiency: given.inverter.efficiency ?? 0.96,
    nightW: given.inverter.nightW ?? 0,
    ...(given.inverter.king ? { king: { acPowerW: given.inverter.acPowerW, ...given.inverter.king } } : {}),
  }
  const ac = acYear([dc], sun, inverter, losses.availability, true)
  const chain = lossChain(dc, ac, sun, monthsOf(sun.stepMinutes))
  const dcPowerW = given.arrays.reduce((sum, { modules, module }) => sum + modules * module.powerW, 0)
  if (given.hourly !== undefined) writeFile(given.hourly, hourly(year, sun, dc, ac.kwhByInterval))
  return {
    acKwh: chain.ac.kwh,
    monthlyAcKwh: chain.ac.monthly,
    kwhPerKwp: (chain.ac.kwh / dcPowerW) * 1000,
    performanceRatio: chain.sun.kwh > 0 ? chain.ac.kwh / chain.sun.kwh : 0,
    clippedKwh: chain.lost.clipping.kwh,
    lossChain: steps(chain),
    weatherProblems: problems.map(problemOut),
  }
}

const question: Question<YieldCase> = { schema: yieldCase, answer }

export function addYield(gable: Command): void {
  const command = gable
    .command('yield')
    .description('AC energy of unshaded arrays over a year')
    .addOption(new Option('--hourly <file>', 'writes every interval as CSV').conflicts('lines'))
  addCaseCommand(command, question, ({ hourly }) => (hourly === undefined ? {} : { hourly }))
}

/** One array's direct current: in the open all its modules are alike, and one stands for them. */
function arrayYear(
  array: YieldCase['arrays'][number],
  given: YieldCase,
  losses: SettledLosses,
  year: WeatherYear,
  sun: SunHours,
): DcYear {
  const { mount, module } = array
  const tracker = typeof mount === 'object' && mount.kind !== 'noct' ? mount : null
  const facing = tracker ? trackedNormals(tracker, sun) : normalOf(array.tiltDeg, array.azimuthDeg)
  const light = lightFacing(year, sun, facing, given.albedo ?? 0.2, given.model ?? 'perez')
  const heat = heatOf(array)
  const sheet = module.sheet && { ...module.sheet, powerPerK: module.powerPerK ?? defaultPowerPerK }
  const power = sheet
    ? diodePower(fitDiode(sheet), usualStrips)
    : linearPower(module.powerPerK ?? defaultPowerPerK)
  const snowLost = snowOnPlane(light, year, sun, slideTiltDeg(tracker, array.tiltDeg), snowRows)
  const string = openString(light, sun.stepMinutes, heat, snowLost)
  return dcYear([{ ...string, inSeries: inSeries(array, given) }], {
    powerW: array.modules * module.powerW,
    power,
    losses,
    weather: year,
    sun,
    withVolts: given.inverter.king !== undefined,
  })
}

/** Bypass diodes of a usual module; unlike light does not occur here. */
const usualStrips = 3

/**
 * Modules in a string. Where it is not given, as many strings as bring their volts nearest to those the inverter was
 * measured at, of one length where the modules allow it: the mean length.
 */
function inSeries(
  { modules, modulesPerString, module: { sheet } }: YieldCase['arrays'][number],
  { inverter: { king } }: YieldCase,
): number {
  if (modulesPerString !== undefined) return modulesPerString
  if (!king || !sheet) return 1
  const miss = (strings: number) => Math.abs((modules / strings) * sheet.vmpV - king.dcVoltsV)
  const about = Math.max(1, Math.floor((modules * sheet.vmpV) / king.dcVoltsV))
  return modules / (miss(about) <= miss(about + 1) || about + 1 > modules ? about : about + 1)
}

/** Heat loss by the mounting; on a roof by the gap. Wind is taken as the file has it unless a height is given. */
function heatOf({ mount, gapM, heightM }: YieldCase['arrays'][number]): HeatLoss {
  const { u0, u1 } = standing(mount, gapM)
  return { u0, u1: heightM === undefined ? u1 : u1 * windShare(heightM, 'suburb') }
}

function standing(mount: YieldCase['arrays'][number]['mount'], gapM: number | undefined): HeatLoss {
  if (typeof mount === 'object') return mount.kind === 'noct' ? heatFromNoct(mount.noctC) : openHeat
  if (gapM !== undefined && mount !== 'open') return heatOverRoof(gapM)
  return mountHeat[mount === 'roof' ? 'close' : mount]
}

/** Groups above each other in an upright half-cut module. */
const snowRows = 2

/** Several arrays on one inverter. */
function together(dcs: readonly DcYear[]): DcYear {
  const sum = (pick: (dc: DcYear) => Float64Array) => {
    const [first, ...rest] = dcs.map(pick)
    return (first ?? new Float64Array(0)).map((value, k) =>
      rest.reduce((total, series) => total + (series[k] as number), value),
    )
  }
  const powerW = sum((dc) => dc.powerW)
  const weighted = sum((dc) => dc.voltsV.map((volts, k) => volts * (dc.powerW[k] as number)))
  return {
    powerW,
    voltsV: weighted.map((value, k) => ((powerW[k] as number) > 0 ? value / (powerW[k] as number) : 0)),
    sunW: sum((dc) => dc.sunW),
    lostW: Object.fromEntries(
      Object.keys(dcs[0]?.lostW ?? {}).map((name) => [
        name,
        sum((dc) => dc.lostW[name as keyof DcYear['lostW']]),
      ]),
    ) as unknown as DcYear['lostW'],
  }
}

/** Each loss with the factor it leaves and the energy after it; stages that lose nothing are left out. */
const steps = (chain: LossChain) => [
  { name: 'sun', factor: 1, kwh: chain.sun.kwh },
  ...lossSteps(chain)
    .filter(({ lost }) => lost !== 0)
    .map(({ name, from, to }) => ({ name, factor: from > 0 ? to / from : 1, kwh: to })),
]

function hourly(year: WeatherYear, sun: SunHours, dc: DcYear, acKwh: Float64Array): string {
  const rows = intervalTimes(year).map((time, i): (string | number)[] => [
    time,
    0,
    0,
    (acKwh[i] as number).toFixed(5),
  ])
  const kwh = sun.stepMinutes / 60_000
  sun.interval.forEach((i, k) => {
    rows[i]?.splice(
      1,
      2,
      ((dc.sunW[k] as number) * kwh).toFixed(5),
      ((dc.powerW[k] as number) * kwh).toFixed(5),
    )
  })
  return csv(['time', 'sunKwh', 'dcKwh', 'acKwh'], rows)
}
