import { catalogue } from '@/town/equipment'
import { job, option, runOf, set, worldOf } from '@/town/testing'
import { heatAt } from '../energy/array-heat'
import { inverterAc } from '../energy/inverter-curve'
import { stringLosses, stringYear, type DeviceYear } from '../energy/string-year'
import { electricalId } from '../kinds/electrical/electrical'
import { siteId } from '../kinds/site/site'
import { settledLosses } from '../kinds/losses/first-year'
import { checksOf } from '../readers/ledger'
import { acStage } from './ac'
import { moduleShareStage, stringShareStage } from './dc'
import { priceStage } from './finance'
import { lossChainStage } from './loss-chain'
import { moduleModelStage } from './module-model'
import { panelLightStage } from './panel-light'
import { planeLightStage } from './plane-light'
import { siteStage } from './site'
import { snowStage } from './snow'
import { stringYearStage } from './string-years'
import { stringsStage } from './strings'
import { sunStage } from './sun'
import { inverterIn, lossesIn, moduleIn } from './world'

const wired = async (fields: object) => {
  const world = await worldOf(job.house, set(option, electricalId, fields))
  return { world, run: runOf(world) }
}
const codes = (run: ReturnType<typeof runOf>) => checksOf(run).map(({ code }) => code)

const plain = await wired({ optimizerId: null })
const optimized = await wired({ optimizerId: 'thrushfield-430' })
const micro = await wired({ inverterId: 'tarnbeck-300' })
const duo = await wired({ inverterId: 'tarnbeck-duo-800' })

const throughOf = ({ acW, clippedW, lostW }: DeviceYear, k: number): number =>
  (acW[k] ?? 0) + (clippedW[k] ?? 0) + (lostW[k] ?? 0)

/** What the entered losses leave: the same share at every hour. */
function leftOf(ac: DeviceYear, powerW: Float64Array): number {
  const noon = powerW.indexOf(Math.max(...powerW))
  return throughOf(ac, noon) / (powerW[noon] ?? NaN)
}

test('in every hour nothing is lost without a name', () => {
  for (const { run } of [plain, optimized, micro, duo])
    for (const { value } of run.value(stringYearStage)) {
      const { powerW, sunW, lostW, ac } = value
      let [worst, worstAc, hours] = [0, 0, 0]
      const left = ac ? leftOf(ac, powerW) : 1
      for (let k = 0; k < powerW.length; k++) {
        const dc = powerW[k] ?? 0
        const lost = stringLosses.reduce((sum, name) => sum + (lostW[name][k] ?? 0), 0)
        worst = Math.max(worst, Math.abs((sunW[k] ?? 0) - dc - lost))
        if (ac) worstAc = Math.max(worstAc, Math.abs(throughOf(ac, k) - dc * left))
        hours += Number(dc > 0)
      }
      expect(hours).toBeGreaterThan(3000)
      expect(worst).toBeLessThan(1e-6)
      expect(worstAc).toBeLessThan(1e-6)
    }
  for (const { run } of [plain, optimized, micro, duo]) {
    const { sun, lost, ac } = run.value(lossChainStage)
    const all = Object.values(lost).reduce((sum, { kwh }) => sum + kwh, 0)
    expect(sun.kwh - all).toBeCloseTo(ac.kwh, 6)
  }
})

test('microinverters are what each module makes by itself, converted and clipped by itself', () => {
  const { run, world } = micro
  const model = run.value(moduleModelStage)
  const sun = run.value(sunStage)
  const losses = settledLosses(lossesIn(world), moduleIn(world))
  const left =
    (1 - losses.lightInduced) *
    (1 - losses.nameplate) *
    (1 - losses.wiring) *
    (1 - losses.connections) *
    losses.other.reduce((rest, { share }) => rest * (1 - share), 1)
  const { startV, mppLowV, mppHighV, ...curve } = inverterIn(world)
  let [acKwh, clippedKwh, modules] = [0, 0, 0]
  run.value(siteStage).faces.forEach((face, a) => {
    for (const _panel of face.panels) {
      const light = run.value(panelLightStage)[modules++]
      const plane = run.value(planeLightStage)[a]
      const snow = run.value(snowStage)[a]
      if (!light || !plane || !snow) throw new Error('every module has its light')
      const { powerW } = stringYear(
        {
          panels: [light.value],
          connected: true,
          conditions: { light: plane.value, heat: heatAt(face), snowLost: snow.value },
        },
        {
          powerW: moduleIn(world).powerW,
          power: model.power,
          losses: { ...lossesIn(world), snow: snow.value ? [] : lossesIn(world).snow },
          weather: world.weather.value,
          sun,
          withVolts: false,
          window: { lowV: mppLowV, highV: mppHighV, startV },
        },
      )
      for (const watts of powerW) {
        const { acW, clippedW } = inverterAc(watts * left, curve)
        acKwh += acW / 1000
        clippedKwh += clippedW / 1000
      }
      acKwh -= (curve.nightW * (8760 - powerW.length)) / 1000
    }
  })
  const { kwh, clippedKwh: clipped, ownDrawKwh } = run.value(acStage)
  expect(modules).toBe(17)
  expect(clippedKwh).toBeGreaterThan(100)
  expect(clipped).toBeCloseTo(clippedKwh, 6)
  expect(kwh).toBeCloseTo(acKwh * (1 - lossesIn(world).availability), 6)
  expect(ownDrawKwh).toBeGreaterThan(0)
})

test('modules no longer hold each other back; what remains is shade within one', () => {
  const lost = ({ run }: typeof plain) => run.value(lossChainStage).lost
  expect(lost(optimized).mismatch.kwh).toBeLessThan(lost(plain).mismatch.kwh * 0.6)
  expect(lost(optimized).mismatch.kwh).toBeCloseTo(lost(micro).mismatch.kwh, 6)
  expect(lost(optimized).mismatch.kwh).toBeGreaterThan(0)
  // The sheet's 1.2 % of what goes through, and a little where bright ones stand among dark ones.
  const through = optimized.run
    .value(stringYearStage)
    .reduce((sum, { value }) => sum + value.powerW.reduce((all, watts) => all + watts, 0) / 1000, 0)
  const taken = lost(optimized).optimizers.kwh / (through + lost(optimized).optimizers.kwh)
  expect(taken).toBeGreaterThanOrEqual(0.012 - 1e-9)
  expect(taken).toBeLessThan(0.02)
  expect(lost(plain).optimizers.kwh).toBe(0)
})

test('an input that draws less than the optimizers could put out holds their string back', async () => {
  const catalogueWith = (inputCurrentA: number) => ({
    ...catalogue,
    inverters: catalogue.inverters.map((sheet) => ({ ...sheet, inputCurrentA })),
  })
  const lost = (inputCurrentA: number) => {
    const world = { ...optimized.world, catalogue: catalogueWith(inputCurrentA) }
    return runOf(world).value(lossChainStage).lost.optimizers.kwh
  }
  expect(lost(15)).toBeCloseTo(lost(19), 9)
  // At 550 V four amperes are 2.2 kW, of strings of 3.8.
  expect(lost(4)).toBeGreaterThan(lost(19) + 100)
})

test('strings of optimizers go over planes; those of an inverter alone do not', () => {
  const planesOf = ({ run }: typeof plain) => {
    const faceOf = new Map(
      run.value(siteStage).faces.flatMap((face) => face.panels.map(({ id }) => [id, face] as const)),
    )
    return run
      .value(stringsStage)
      .strings.map(({ panelIds }) => new Set(panelIds.map((id) => faceOf.get(id))).size)
  }
  expect(planesOf(plain)).toEqual([1, 1])
  expect(planesOf(optimized).some((planes) => planes > 1)).toBe(true)
  expect(optimized.run.value(stringsStage).strings.flatMap(({ panelIds }) => panelIds)).toHaveLength(17)
})

test('shares of modules are those of their strings, and add up to all', () => {
  for (const { run } of [plain, optimized, micro]) {
    const shares = run.value(moduleShareStage)
    const { strings } = run.value(stringsStage)
    expect(shares.map((own) => own.length)).toEqual(strings.map(({ panelIds }) => panelIds.length))
    expect(run.value(stringShareStage).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9)
  }
  // Modules in series share alike; others by what each gives.
  expect(new Set(plain.run.value(moduleShareStage)[0]).size).toBe(1)
  expect(new Set(micro.run.value(moduleShareStage)[0]).size).toBeGreaterThan(3)
})

test('prices follow the number of devices', () => {
  const total = ({ run }: typeof plain) => run.value(priceStage)
  const priceOf = (id: string) =>
    [...catalogue.inverters, ...catalogue.optimizers].find((sheet) => sheet.id === id)?.price ?? NaN
  expect(total(optimized).optimizers).toBe(17 * priceOf('thrushfield-430'))
  expect(total(micro).inverter).toBe(17 * priceOf('tarnbeck-300'))
  // Thirteen and four modules on two planes: seven and two.
  expect(total(duo).inverter).toBe(9 * priceOf('tarnbeck-duo-800'))
  expect(total(plain)).toMatchObject({ optimizers: 0, inverter: 1980 })
})

test('what is wrong is said with its figure, and the remedy is taken', async () => {
  expect(codes(optimized.run).filter((code) => /unit|optimizers|branch/.test(code))).toEqual([])
  expect(codes((await wired({ optimizerId: 'thrushfield-360' })).run)).toEqual(
    expect.arrayContaining(['unit-power', 'unit-current']),
  )
  const short = await wired({ optimizerId: 'thrushfield-430', modulesPerString: 5 })
  expect(codes(short.run)).toContain('optimizers-few')
  const crowded = await wired({ inverterId: 'tarnbeck-360', modulesPerString: 17 })
  const check = checksOf(crowded.run).find(({ code }) => code === 'branch-many')
  // 17 of 360 W at 240 V are 25.5 A; a breaker of 20 A carries 16 A.
  expect(check?.measured).toEqual({ figure: 25.5, limit: 16, unit: 'A' })
  expect(check?.remedy?.set).toEqual({ id: electricalId, field: 'modulesPerString', value: null })
  expect(codes((await wired({ inverterId: 'tarnbeck-360' })).run)).not.toContain('branch-many')
})

test('what feeds three phases is refused where there are not three', async () => {
  const on = async (gridPhases: string) => {
    const world = await worldOf(
      set(job.house, siteId, { gridPhases }),
      set(option, electricalId, { inverterId: 'orrin-8' }),
    )
    return codes(runOf(world))
  }
  expect(await on('split')).toContain('phases')
  expect(await on('single')).toContain('phases')
  expect(await on('three')).not.toContain('phases')
  expect(codes(plain.run)).not.toContain('phases')
})
