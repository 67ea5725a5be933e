import fc from 'fast-check'
import { fitDiode, powerCoefficient, voltageCoefficient, type ModuleSheet } from './fit-diode'
import { diodePower, linearPower } from './module-power'
import { diodeAt, maximumPower, openCircuitV, shortCircuitA, type DiodeModel } from './single-diode'

const sheet: ModuleSheet = {
  vocV: 38.3,
  vmpV: 31.4,
  iscA: 8.98,
  impA: 8.44,
  vocPerK: -0.0031,
  iscPerK: 0.0005,
  powerPerK: -0.0041,
}

/** Current at a voltage by plain bisection of the model's equation: slow, and sure. */
function currentAt(p: ReturnType<typeof diodeAt>, volts: number): number {
  const miss = (i: number) => {
    const junction = volts + i * p.seriesOhm
    return p.lightA - p.saturationA * Math.expm1(junction / p.thermalV) - junction / p.shuntOhm - i
  }
  let [low, high] = [-p.lightA - 50, p.lightA + 1]
  for (let k = 0; k < 200; k++) {
    const middle = (low + high) / 2
    if (miss(middle) > 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Sheets of three cell technologies, figures as makers print them. */
const sheets: readonly (readonly [string, ModuleSheet])[] = [
  ['sixty full cells', sheet],
  [
    'half cells with passivated backs',
    {
      vocV: 49.9,
      vmpV: 41.8,
      iscA: 11.6,
      impA: 10.9,
      powerPerK: -0.0035,
      vocPerK: -0.0027,
      iscPerK: 0.00048,
    },
  ],
  [
    'heterojunction',
    { vocV: 44.3, vmpV: 36.9, iscA: 9.8, impA: 9.2, powerPerK: -0.0026, vocPerK: -0.0024, iscPerK: 0.0004 },
  ],
]

test.each(sheets)(
  '%s: the fit gives the sheet’s five numbers to 0.1 % and its coefficients',
  (_name, given) => {
    const model = fitDiode(given)
    const p = diodeAt(model, 1000, 25)
    const best = maximumPower(p)
    const off = (value: number, wanted: number) => Math.abs(value / wanted - 1)
    expect(off(openCircuitV(p), given.vocV)).toBeLessThan(1e-3)
    expect(off(shortCircuitA(p), given.iscA)).toBeLessThan(1e-3)
    expect(off(best.voltsV, given.vmpV)).toBeLessThan(1e-3)
    expect(off(best.currentA, given.impA)).toBeLessThan(1e-3)
    expect(off(best.powerW, given.vmpV * given.impA)).toBeLessThan(1e-3)
    expect(voltageCoefficient(model)).toBeCloseTo(given.vocPerK, 6)
    expect(powerCoefficient(model)).toBeCloseTo(given.powerPerK, 6)
    const warmer = shortCircuitA(diodeAt(model, 1000, 35)) / shortCircuitA(p) - 1
    expect(warmer / 10).toBeCloseTo(given.iscPerK, 4)
    expect(model.seriesOhm).toBeGreaterThan(0)
    expect(model.shuntOhm).toBeGreaterThan(20)
  },
)

test('curve, open and short circuit agree with the equation solved by bisection', () => {
  const model = fitDiode(sheet)
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 1300, noNaN: true }),
      fc.double({ min: -30, max: 85, noNaN: true }),
      (light, cellC) => {
        const p = diodeAt(model, light, cellC)
        const best = maximumPower(p)
        // Neither a little less nor a little more voltage gives more.
        const power = (v: number) => v * currentAt(p, v)
        return (
          Math.abs(currentAt(p, best.voltsV) - best.currentA) < 1e-7 &&
          Math.abs(currentAt(p, openCircuitV(p))) < 1e-6 &&
          Math.abs(currentAt(p, 0) - shortCircuitA(p)) < 1e-7 &&
          power(best.voltsV * 1.002) <= best.powerW + 1e-9 &&
          power(best.voltsV * 0.998) <= best.powerW + 1e-9
        )
      },
    ),
    { seed: 3, numRuns: 200 },
  )
})

test('translation by hand at half the light and 45 °C (De Soto 2006, eq. 7 to 13)', () => {
  const model: DiodeModel = {
    lightA: 9,
    saturationA: 1e-10,
    seriesOhm: 0.3,
    shuntOhm: 300,
    thermalV: 1.5,
    lightAPerK: 0.004,
    seriesPerK: 0,
  }
  const p = diodeAt(model, 500, 45)
  expect(p.lightA).toBeCloseTo(0.5 * (9 + 0.08), 12)
  expect(p.shuntOhm).toBe(600)
  expect(p.thermalV).toBeCloseTo((1.5 * 318.15) / 298.15, 12)
  const gap = 1.121 * (1 - 0.0002677 * 20)
  const k = 8.617333262e-5
  const grown = (318.15 / 298.15) ** 3 * Math.exp(1.121 / (k * 298.15) - gap / (k * 318.15))
  expect(p.saturationA / 1e-10).toBeCloseTo(grown, 9)
})

test('in the dark there is nothing', () => {
  const p = diodeAt(fitDiode(sheet), 0, 10)
  expect(maximumPower(p)).toEqual({ voltsV: 0, currentA: 0, powerW: 0 })
  expect(openCircuitV(p)).toBe(0)
  expect(shortCircuitA(p)).toBe(0)
})

test.each([
  [{ vmpV: 39 }, 'module.vmpV'],
  [{ impA: 9 }, 'module.impA'],
  [{ vocPerK: 0.001 }, 'module.vocPerK'],
  [{ powerPerK: 0 }, 'module.powerPerK'],
  [{ iscA: NaN }, 'module.iscA'],
  [{ powerPerK: -0.02 }, 'module'],
  [{ vmpV: 38.2, impA: 8.97 }, 'module'],
] as const)('a sheet that contradicts itself is refused with where: %j', (wrong, path) => {
  expect(() => fitDiode({ ...sheet, ...wrong })).toThrow(
    expect.objectContaining({ code: 'sheet-contradicts', path }) as Error,
  )
})

test('the table of best points stays within 0.05 % of the full solution, and of its volts', () => {
  const model = fitDiode(sheet)
  const power = diodePower(model, 3)
  const rated = maximumPower(diodeAt(model, 1000, 25)).powerW
  expect(power.efficiency(1000, 25)).toBeCloseTo(1, 3)
  fc.assert(
    fc.property(
      fc.double({ min: 100, max: 1250, noNaN: true }),
      fc.double({ min: -25, max: 90, noNaN: true }),
      (light, cellC) => {
        const full = maximumPower(diodeAt(model, light, cellC))
        const quick = (power.efficiency(light, cellC) * rated * light) / 1000
        return (
          Math.abs(quick / full.powerW - 1) < 5e-4 &&
          Math.abs(power.volts(light, cellC) / full.voltsV - 1) < 2e-3
        )
      },
    ),
    { seed: 8, numRuns: 400 },
  )
  expect(power.efficiency(0, 25)).toBe(0)
})

test('the linear model by hand: 65 °C costs 40 K times the coefficient', () => {
  const power = linearPower(-0.004, 30)
  expect(power.efficiency(300, 65)).toBeCloseTo(0.84, 12)
  expect(power.volts(300, 65)).toBeCloseTo(30 * 0.84, 12)
})
