import { seededRandom } from '../model/random'
import { sunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'
import { cellTemperatureC, mountHeat } from './cell-temperature'
import { exampleSheet } from './example-sheet'
import { fitDiode } from './fit-diode'
import { diodePower, linearPower } from './module-power'
import { type PanelLight } from './panel-light'
import { parallelYears } from './parallel-strings'
import { type PlaneLight } from './plane-light'
import { groupV } from './series-reference'
import { diodeAt, maximumPower } from './single-diode'
import { seriesInto, type SteppedString } from './step-down'
import {
  emptyYear,
  stringLosses,
  stringYear,
  yearOf,
  type LitString,
  type StringRequest,
} from './string-year'

const model = fitDiode(exampleSheet)
const ratedW = maximumPower(diodeAt(model, 1000, 25)).powerW
const place = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }
const sun = sunHours(place, -5, 60)
const hours = sun.interval.length
const [airC, windMs, open] = [12, 2, 900]
const even = (value: number) => new Float64Array(8760).fill(value)
const weather: WeatherYear = {
  ...place,
  name: 'Even',
  timeZoneHours: -5,
  stepMinutes: 60,
  ghi: even(300),
  dni: even(0),
  dhi: even(300),
  temperatureC: even(airC),
  windMs: even(windMs),
  albedo: null,
  snowDepthM: null,
}
const anyVolts = { lowV: 0, highV: 1000, startV: 0 }
const request: StringRequest = {
  powerW: ratedW,
  power: diodePower(model, 3),
  losses: { soiling: [], snow: [] },
  weather,
  sun,
  withVolts: true,
  window: anyVolts,
}
const limits = { powerW: 1000, outputCurrentA: 15, efficiency: 0.99, mppLowV: 1, mppHighV: 90 }

const flat = new Float64Array(hours)
const lit = Float64Array.from({ length: hours }, () => open)
const light = {
  beam: lit,
  sky: flat,
  groundReflected: flat,
  direct: lit,
  dome: flat,
  horizon: flat,
  ground: flat,
} as unknown as PlaneLight
const conditions = { light, heat: mountHeat.close, snowLost: null }
/** A module whose three strips have so much of the open light, at every entry. */
const panelOf = (strips: readonly number[]): PanelLight => {
  const isEven = new Set(strips).size === 1
  const mean = strips.reduce((sum, share) => sum + share, 0) / strips.length
  return {
    mean: new Float32Array(hours).fill(mean * open),
    shaded: isEven ? new Int32Array(0) : Int32Array.from({ length: hours }, (_, k) => k),
    strips: isEven
      ? new Float32Array(0)
      : Float32Array.from({ length: 3 * hours }, (_, i) => (strips[i % 3] ?? 0) * open),
    stripCount: 3,
    unshadedKwhM2: 0,
    meanKwhM2: mean,
    lostTo: [],
  }
}
interface Module {
  readonly strips: readonly number[]
  readonly isHeld: boolean
}
const alone = (panels: readonly PanelLight[], connected: boolean): LitString => ({
  panels,
  conditions,
  connected,
})
const stringOf = (
  modules: readonly Module[],
  connected = true,
  more: Partial<typeof limits> = {},
): SteppedString => {
  const of = (held: boolean) =>
    modules.filter(({ isHeld }) => isHeld === held).map(({ strips }) => panelOf(strips))
  const plain = of(false)
  return {
    plain: plain.length > 0 ? alone(plain, connected) : null,
    held: of(true).map((panel) => alone([panel], connected)),
    isHeld: modules.map(({ isHeld }) => isHeld),
    connected,
    limits: { ...limits, ...more },
  }
}
/** Only the first entries, all alike, are looked at. */
const few = { ...request, sun: { ...sun, interval: sun.interval.slice(0, 3), month: sun.month.slice(0, 3) } }
const yearOfString = (string: LitString | SteppedString, asked: StringRequest = few) => {
  const out = emptyYear(asked.sun.interval.length, true)
  return yearOf(seriesInto(out, string, asked), out, asked)
}

const cellOf = (share: number) => cellTemperatureC(airC, open * share, windMs, mountHeat.close)
const meanOf = ({ strips }: Module) => strips.reduce((sum, share) => sum + share, 0) / strips.length

/** The most that the string gives over a sweep of its current, with the whole equation at every step. */
function swept(modules: readonly Module[], held: { lowV: number; highV: number }) {
  const plain = modules.filter(({ isHeld }) => !isHeld)
  const plainC = cellOf(plain.reduce((sum, module) => sum + meanOf(module), 0) / Math.max(1, plain.length))
  const curveOf = (module: Module, cellC: number) => {
    const strips = module.strips.map((share) => diodeAt(model, share * open, cellC))
    return (amperes: number) => strips.reduce((sum, strip) => sum + groupV(strip, 3, amperes), 0)
  }
  const plains = plain.map((module) => curveOf(module, plainC))
  const topA = 13
  const helds = modules
    .filter(({ isHeld }) => isHeld)
    .map((module) => {
      const voltsAt = curveOf(module, cellOf(meanOf(module)))
      let [bestW, bestA] = [0, 0]
      for (let amperes = 0.002; amperes < topA; amperes += 0.005) {
        const watts = amperes * voltsAt(amperes)
        if (watts > bestW) [bestW, bestA] = [watts, amperes]
      }
      return { voltsAt, bestW, bestA }
    })
  const madeAt = (amperes: number) => {
    let made = plains.reduce((sum, voltsAt) => sum + amperes * voltsAt(amperes), 0)
    for (const { voltsAt, bestW, bestA } of helds) {
      const taken = amperes >= bestA ? bestW : Math.max(0, Math.min(bestW, amperes * voltsAt(amperes)))
      made += Math.min(taken, limits.powerW) * limits.efficiency
    }
    return made
  }
  /** Where the volts, which fall with the current, are those. */
  const currentAt = (volts: number) => {
    let [low, high] = [1e-4, topA]
    for (let k = 0; k < 40; k++) {
      const middle = (low + high) / 2
      if (madeAt(middle) > volts * middle) low = middle
      else high = middle
    }
    return low
  }
  const [from, to] = [held.highV, held.lowV].map(currentAt)
  if (from === undefined || to === undefined) throw new Error('a window has two ends')
  return Array.from({ length: 800 }, (_, k) => madeAt(from + ((to - from) * k) / 799)).reduce((a, b) =>
    Math.max(a, b),
  )
}

const randomModules = (random: () => number): Module[] =>
  Array.from({ length: 3 + Math.floor(random() * 6) }, () => {
    const share = () => (random() < 0.5 ? 1 : 0.15 + 0.8 * random())
    const whole = share()
    return {
      strips: random() < 0.3 ? [share(), share(), share()] : [whole, whole, whole],
      isHeld: random() < 0.4,
    }
  })

test('what a string gives is what a sweep of its current says', () => {
  const random = seededRandom(71)
  for (let k = 0; k < 12; k++) {
    const modules = randomModules(random)
    const expected = swept(modules, { lowV: 0, highV: 1000 })
    const made = yearOfString(stringOf(modules)).powerW[1] ?? 0
    expect(Math.abs(made / expected - 1)).toBeLessThan(0.001)
  }
})

test('inside a window that lies elsewhere too', () => {
  const random = seededRandom(72)
  let moved = 0
  for (let k = 0; k < 8; k++) {
    const modules = randomModules(random)
    const free = yearOfString(stringOf(modules))
    const volts = (free.voltWatts[1] ?? 0) / (free.powerW[1] ?? 1)
    const window = random() < 0.5 ? { lowV: volts * 1.08, highV: 1000 } : { lowV: 0, highV: volts * 0.9 }
    const held = yearOfString(stringOf(modules), { ...few, window: { ...window, startV: 0 } })
    const made = held.powerW[1] ?? 0
    const expected = swept(modules, window)
    expect(Math.abs(made - expected)).toBeLessThan(0.002 * expected)
    const at = (held.voltWatts[1] ?? 0) / made
    expect(at).toBeGreaterThan(window.lowV * 0.999)
    expect(at).toBeLessThan(window.highV * 1.001)
    moved += Number((held.lostW.window[1] ?? 0) > 0.5)
  }
  expect(moved).toBeGreaterThan(4)
})

test('nothing is lost without a name, and what the modules bring adds up to all', () => {
  const random = seededRandom(73)
  for (let k = 0; k < 60; k++) {
    const modules = randomModules(random)
    const window = random() < 0.5 ? anyVolts : { lowV: 60 * random() * 8, highV: 400, startV: 90 }
    const year = yearOfString(stringOf(modules, random() < 0.9, { powerW: 150 + 300 * random() }), {
      ...few,
      window,
    })
    for (let at = 0; at < 3; at++) {
      const lost = stringLosses.reduce((sum, name) => sum + (year.lostW[name][at] ?? 0), 0)
      expect((year.sunW[at] ?? 0) - (year.powerW[at] ?? 0) - lost).toBeCloseTo(0, 6)
      // Some light is converted better than at the rated one.
      for (const name of stringLosses)
        if (name !== 'low-light') expect(year.lostW[name][at]).toBeGreaterThan(-1e-6)
    }
    const brought = (year.weights ?? []).reduce((sum, one) => sum + one, 0)
    expect(year.weights).toHaveLength(modules.length)
    expect(brought).toBeCloseTo(
      year.powerW.reduce((sum, watts) => sum + watts, 0),
      3,
    )
  }
})

test('an optimizer at the one shaded module gets its own light out of it, and costs the others nothing', () => {
  const shaded = [0.4, 0.4, 0.4]
  const full = [1, 1, 1]
  const string = (held: number) => [
    ...Array.from({ length: 9 }, () => ({ strips: full, isHeld: false })),
    { strips: shaded, isHeld: held > 0 },
  ]
  const without = stringYear(
    alone(
      string(0).map(({ strips }) => panelOf(strips)),
      true,
    ),
    few,
  )
  const withOne = yearOfString(stringOf(string(1)))
  const own = yearOfString(alone([panelOf(shaded)], true)).powerW[1] ?? 0
  const nine =
    yearOfString(
      alone(
        Array.from({ length: 9 }, () => panelOf(full)),
        true,
      ),
    ).powerW[1] ?? 0
  expect(withOne.powerW[1]).toBeCloseTo(nine + limits.efficiency * own, 0)
  expect((withOne.powerW[1] ?? 0) - (without.powerW[1] ?? 0)).toBeGreaterThan(0.9 * own)
  expect(withOne.lostW.mismatch[1]).toBeLessThan(1)
})

test('a lit module with an optimizer among shaded ones without is passed through: it cannot raise its volts', () => {
  const modules = Array.from({ length: 8 }, (_, k) => ({
    strips: k < 7 ? [0.5, 0.5, 0.5] : [1, 1, 1],
    isHeld: k === 7,
  }))
  const year = yearOfString(stringOf(modules))
  const shaded = yearOfString(
    alone(
      modules.slice(0, 7).map(({ strips }) => panelOf(strips)),
      true,
    ),
  )
  // Its current is halved, and its volts are no more than at an open circuit.
  const gained = (year.powerW[1] ?? 0) - (shaded.powerW[1] ?? 0)
  expect(gained).toBeLessThan(0.62 * ratedW)
  expect(gained).toBeGreaterThan(0.4 * ratedW)
  expect(year.lostW.mismatch[1]).toBeGreaterThan(0.3 * ratedW)
})

test('limits of power and current hold, and without an input nothing is made', () => {
  const full = { strips: [1, 1, 1], isHeld: true }
  const strong = yearOfString(stringOf([full, full, full])).powerW[1] ?? 0
  const weak = yearOfString(stringOf([full, full, full], true, { powerW: 100 })).powerW[1] ?? 0
  expect(weak).toBeCloseTo(3 * 100 * limits.efficiency, 6)
  expect(strong).toBeGreaterThan(weak * 2)
  // Four amperes are less than the modules' best points ask for.
  const narrow = yearOfString(stringOf([full, full, full], true, { outputCurrentA: 4 }))
  const volts = (narrow.voltWatts[1] ?? 0) / (narrow.powerW[1] ?? 1)
  expect((narrow.powerW[1] ?? 0) / volts).toBeLessThan(4 + 1e-6)
  const loose = yearOfString(stringOf([full, full], false))
  expect(loose.powerW[1]).toBe(0)
  expect(loose.lostW.unwired[1]).toBeGreaterThan(0)
})

test('a string that never comes to the start of the inverter gives nothing', () => {
  const modules = Array.from({ length: 3 }, (_, k) => ({ strips: [1, 1, 1], isHeld: k > 0 }))
  const year = yearOfString(stringOf(modules), { ...few, window: { lowV: 60, highV: 480, startV: 400 } })
  expect(year.powerW[1]).toBe(0)
  expect(year.lostW.window[1]).toBeGreaterThan(100)
})

test('beside another string on its input both have the volts where they give most together', () => {
  const shaded = { strips: [0.3, 0.3, 0.3], isHeld: true }
  const full = { strips: [1, 1, 1], isHeld: false }
  const mixed = stringOf([...Array.from({ length: 7 }, () => full), shaded, shaded, shaded])
  const plain = alone(
    Array.from({ length: 10 }, () => panelOf(full.strips)),
    true,
  )
  const [own, other] = parallelYears([mixed, plain], few)
  const volts = (year: typeof own) => (year?.voltWatts[1] ?? 0) / (year?.powerW[1] ?? 1)
  expect(volts(own)).toBeCloseTo(volts(other), 3)
  const together = (own?.powerW[1] ?? 0) + (other?.powerW[1] ?? 0)
  const apart = (yearOfString(mixed).powerW[1] ?? 0) + (yearOfString(plain).powerW[1] ?? 0)
  expect(together).toBeLessThanOrEqual(apart + 1e-6)
  // Over a sweep of common volts there is nothing better.
  let best = 0
  for (let at = 150; at < 420; at += 1) {
    const outs = [mixed, plain].map((string) => {
      const series = seriesInto(emptyYear(3, true), string, few)
      series.read(0)
      series.work()
      return series.workAt(at).powerW
    })
    best = Math.max(best, (outs[0] ?? 0) + (outs[1] ?? 0))
  }
  expect(together).toBeGreaterThan(best * 0.999)
  expect((own?.lostW.mismatch[1] ?? 0) + (own?.lostW.window[1] ?? 0)).toBeGreaterThan(0)
})

test('with a model that has no curve, each gives its best', () => {
  const modules = [
    { strips: [1, 1, 1], isHeld: false },
    { strips: [0.5, 0.5, 0.5], isHeld: true },
  ]
  const year = yearOfString(stringOf(modules), { ...few, power: linearPower(-0.004, 33), window: anyVolts })
  const shares = (year.powerW[1] ?? 0) / ratedW
  expect(shares).toBeGreaterThan(1.1)
  expect(shares).toBeLessThan(1.5)
})
