import { mountHeat } from '@/core/energy/cell-temperature'
import { fitDiode } from '@/core/energy/fit-diode'
import { diodePower } from '@/core/energy/module-power'
import { usualLosses } from '@/core/kinds/losses/first-year'
import { acYear } from '@/core/energy/ac'
import { dcYear } from '@/core/energy/dc'
import { seededRandom } from '@/core/model/random'
import { branchYear, optimizedYear } from '@/core/energy/module-electronics'
import { openString } from '@/core/energy/open-chain'
import { planeLight } from '@/core/energy/plane-light'
import { parallelYears } from '@/core/energy/parallel-strings'
import { seriesInto, type SteppedString } from '@/core/energy/step-down'
import { emptyYear, stringYear, yearOf } from '@/core/energy/string-year'
import { sunHours } from '@/core/sun/sun-hours'
import { normalOf } from '@/core/sun/tracker'
import { skyYear } from '@/core/weather/sky-year'
import { type WeatherYear } from '@/core/weather/weather-year'
import { catalogue } from '@/town/equipment'
import { stationWeather } from '@/town/stations'

/** How long a year of one plane takes from weather to AC, warm, and what share each stage has. */
const rounds = 300
const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN

const hourly = stationWeather('pellworth-pier')?.year
const [module] = catalogue.modules
const inverter = catalogue.inverters[2]
if (!hourly || !module || !inverter) throw new Error('the town has weather and equipment')

/** The same year in quarters of an hour, each value four times. */
const quarters = (year: WeatherYear): WeatherYear => {
  const four = (series: Float64Array) =>
    Float64Array.from({ length: series.length * 4 }, (_, i) => series[i >> 2] as number)
  return {
    ...year,
    stepMinutes: 15,
    ghi: four(year.ghi),
    dni: four(year.dni),
    dhi: four(year.dhi),
    temperatureC: four(year.temperatureC),
    windMs: four(year.windMs),
    snowDepthM: year.snowDepthM && four(year.snowDepthM),
  }
}

const power = diodePower(fitDiode(module), 3)
const ground = { albedoByMonth: new Array<number>(12).fill(0.2) }

for (const year of [hourly, quarters(hourly)]) {
  const sun = sunHours(year, year.timeZoneHours, year.stepMinutes)
  const times = { sun: [] as number[], light: [] as number[], dc: [] as number[], ac: [] as number[] }
  for (let k = 0; k < rounds; k++) {
    const t0 = performance.now()
    sunHours(year, year.timeZoneHours, year.stepMinutes)
    const t1 = performance.now()
    const light = planeLight(skyYear(year, sun, 'perez'), normalOf(20 + (k % 30), 180), ground)
    const t2 = performance.now()
    const string = openString(light, year.stepMinutes, mountHeat.close, null)
    const dc = dcYear([string], {
      powerW: module.powerW,
      power,
      losses: usualLosses,
      weather: year,
      sun,
      withVolts: false,
    })
    const t3 = performance.now()
    acYear([dc], sun, inverter, 0.01, true)
    const t4 = performance.now()
    times.sun.push(t1 - t0)
    times.light.push(t2 - t1)
    times.dc.push(t3 - t2)
    times.ac.push(t4 - t3)
  }
  const [light, dc, ac] = [times.light, times.dc, times.ac].map((t) => median(t.slice(rounds / 2)))
  const whole = (light ?? 0) + (dc ?? 0) + (ac ?? 0)
  const share = (ms: number | undefined) => `${(((ms ?? 0) / whole) * 100).toFixed(0)} %`
  console.log(
    `A year of ${year.stepMinutes} minutes, one plane, weather to AC: ${whole.toFixed(1)} ms (light ${share(light)}, module and losses ${share(dc)}, inverter ${share(ac)}); the sun of the place, once: ${median(times.sun.slice(rounds / 2)).toFixed(1)} ms`,
  )
}

// A string of thirteen modules of three groups, in levels of light as trees and rows make them.
{
  const curve = power.curve
  if (!curve) throw new Error('a diode model has a curve')
  const random = seededRandom(13)
  const hours = 4000
  const cases = Array.from({ length: hours }, () => {
    const levels = 1 + Math.floor(random() * 8)
    const light = Float64Array.from({ length: levels }, () => 40 + random() * 900).sort((a, b) => b - a)
    const groups = new Float64Array(levels).fill(39 / levels)
    const cellC = random() * 60
    const alone = light.map((level) => curve.alone(level, 39 / levels, cellC))
    return { light, groups, alone, levels, cellC }
  })
  const times: number[] = []
  for (let k = 0; k < 9; k++) {
    const begin = performance.now()
    for (const { light, groups, alone, levels, cellC } of cases)
      curve.best(light, groups, alone, levels, cellC, null)
    times.push(performance.now() - begin)
  }
  console.log(
    `A string under unlike light: ${((median(times) * 1000) / hours / 13).toFixed(2)} µs a module and hour`,
  )
}

// The same thirteen modules in series, each with an optimizer, and under microinverters.
{
  const sun = sunHours(hourly, hourly.timeZoneHours, hourly.stepMinutes)
  const light = planeLight(skyYear(hourly, sun, 'perez'), normalOf(30, 180), ground)
  const { panels, conditions } = openString(light, hourly.stepMinutes, mountHeat.close, null)
  const [panel] = panels
  const [optimizer] = catalogue.optimizers
  const micro = catalogue.inverters.find((sheet) => sheet.micro)
  if (!panel || !optimizer || !micro) throw new Error('the town has electronics for modules')
  const modules = Array.from({ length: 13 }, () => panel)
  const request = {
    powerW: module.powerW,
    power,
    losses: usualLosses,
    weather: hourly,
    sun,
    withVolts: false,
  }
  const own = { connected: true, panels: modules.map((one) => ({ light: one, conditions })) }
  const limits = { ...optimizer, stringLowV: inverter.mppLowV, stringHighV: inverter.mppHighV }
  const under = { curve: micro, devices: modules.map(() => 1), left: 0.95 }
  const window = { lowV: inverter.mppLowV, highV: inverter.mppHighV, startV: inverter.startV }
  const parts = [8, 5].map((count) => ({
    panels: modules.slice(0, count),
    conditions,
    connected: true,
  }))
  const share = { conditions, modules: 7 }
  const planes = [share, { conditions, modules: 6 }]
  const lone = (panels: typeof modules) => ({ panels, conditions, connected: true })
  const stepDown = catalogue.optimizers.find((sheet) => sheet.stepDown) ?? optimizer
  const steppedYear = (bare: typeof modules, held: typeof modules) => {
    const out = emptyYear(sun.interval.length, false)
    const stepped: SteppedString = {
      plain: lone(bare),
      held: held.map((one) => lone([one])),
      isHeld: [...bare.map(() => false), ...held.map(() => true)],
      connected: true,
      limits: stepDown,
    }
    return yearOf(seriesInto(out, stepped, { ...request, window }), out, request)
  }
  const ways = {
    plain: () => stringYear({ panels: modules, conditions, connected: true }, request),
    'two planes': () => stringYear({ panels: modules, conditions, planes, connected: true }, request),
    unequal: () => parallelYears(parts, { ...request, window }),
    'step-down': () => steppedYear(modules.slice(0, 8), modules.slice(8)),
    optimizers: () => optimizedYear(own, request, limits),
    microinverters: () => branchYear(own, request, under),
  }
  const names = Object.keys(ways) as (keyof typeof ways)[]
  const took = new Map(names.map((way) => [way, [] as number[]]))
  for (let k = 0; k < 30; k++)
    for (const way of names) {
      const start = performance.now()
      ways[way]()
      took.get(way)?.push(performance.now() - start)
    }
  const [plain = 1, ...others] = names.map((way) => median((took.get(way) ?? []).slice(10)))
  const times = names.slice(1).map((way, k) => `${way} ${((others[k] ?? 0) / plain).toFixed(2)} times that`)
  console.log(
    `A year of thirteen modules lit alike: ${plain.toFixed(1)} ms in series; ${times.join(', ')} (unequal: eight and five on one input)`,
  )
}
