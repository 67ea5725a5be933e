import { portFault } from '@/core/electrical/battery-port'
import { catalogueSchema } from '@/core/electrical/catalogue'
import { fitDiode } from '@/core/energy/fit-diode'
import { inverterAc } from '@/core/energy/inverter-curve'
import { diodeAt, maximumPower } from '@/core/energy/single-diode'
import { diodePower } from '@/core/energy/module-power'
import { ownWindow } from '@/core/electrical/electronics'
import { stringWindow } from '@/core/electrical/stringing'
import { microRules, optimizerRules } from '@/core/electrical/unit-rules'
import { catalogue } from './equipment'

test('every module behaves as a module does, and its power is that of its best point', () => {
  for (const module of catalogue.modules) {
    const model = fitDiode(module)
    const best = maximumPower(diodeAt(model, 1000, 25))
    expect(Math.abs(best.powerW / module.powerW - 1)).toBeLessThan(0.003)
    // Low light costs a few percent, as it does in real ones.
    const low = maximumPower(diodeAt(model, 200, 25)).powerW / (best.powerW / 5)
    expect(low).toBeGreaterThan(0.95)
    expect(low).toBeLessThan(1)
  }
})

test('an inverter keeps the power there is: made, clipped and lost add up, at every load', () => {
  for (const inverter of catalogue.inverters) {
    let before = -Infinity
    for (let load = 0.01; load <= 2; load += 0.01) {
      const dcW = inverter.acPowerW * load
      const { acW, clippedW, lostW } = inverterAc(dcW, inverter, inverter.king?.dcVoltsV ?? 360)
      expect(acW + clippedW + lostW).toBeCloseTo(dcW, 6)
      expect(lostW).toBeGreaterThan(0)
      // Nothing is cut before the rated power, and then all that is over it.
      if (load < 0.98) expect(clippedW).toBe(0)
      if (load > 1.1) expect(acW).toBe(inverter.acPowerW)
      expect(acW).toBeGreaterThanOrEqual(before)
      before = acW
    }
  }
})

test('inverters of the catalogue convert at about their weighted efficiency', () => {
  for (const inverter of catalogue.inverters) {
    const dcW = inverter.acPowerW * 0.6
    const { acW } = inverterAc(dcW, inverter, inverter.king?.dcVoltsV ?? 360)
    expect(Math.abs(acW / dcW - inverter.efficiency)).toBeLessThan(0.015)
  }
})

test('what is on offer is of different sizes, and no two sheets are called the same', () => {
  const { modules, inverters, batteries } = catalogue
  for (const list of [modules, inverters, batteries]) {
    expect(list.length).toBeGreaterThan(2)
    expect(new Set(list.map(({ id }) => id)).size).toBe(list.length)
    expect(new Set(list.map(({ name }) => name)).size).toBe(list.length)
  }
  expect(new Set(modules.map(({ powerW }) => powerW)).size).toBe(modules.length)
  for (const module of modules) {
    // Watts to the square metre as modules have them, volts by the cell.
    const density = module.powerW / (module.widthM * module.lengthM)
    expect(density).toBeGreaterThan(150)
    expect(density).toBeLessThan(250)
    expect(Math.abs((module.vmpV * module.impA) / module.powerW - 1)).toBeLessThan(0.01)
    expect(module.vmpV).toBeLessThan(module.vocV)
    expect(module.degradation).toBeGreaterThan(0)
  }
  for (const battery of batteries) {
    expect(battery.chargeKw).toBeLessThanOrEqual(battery.usableKwh)
    expect(battery.efficiency).toBeGreaterThan(0.85)
    expect(battery.efficiency).toBeLessThan(1)
  }
  expect(catalogueSchema.parse(catalogue)).toEqual(catalogue)
})

test('any module can be strung to any string inverter in the coldest of the towns', () => {
  for (const module of catalogue.modules) {
    const power = diodePower(fitDiode(module), module.strips)
    for (const inverter of catalogue.inverters.filter(({ micro }) => !micro)) {
      const window = stringWindow(module, power, inverter, -18, 80)
      expect(window.most).toBeGreaterThan(window.fewest)
      expect(window.most).toBeLessThanOrEqual(window.mostStanding)
    }
  }
})

test('any module of up to 60 V suits some microinverter, and any at all some optimizer, in the coldest of the towns', () => {
  const kept = (rules: readonly { readonly ok: boolean }[]) => rules.every(({ ok }) => ok)
  for (const module of catalogue.modules) {
    const power = diodePower(fitDiode(module), module.strips)
    const window = ownWindow(module, power, -18, 80, { fewest: 1, most: 1 })
    const micros = catalogue.inverters.filter(({ micro }) => micro)
    // Back-contact modules of many cells have more volts than small inverters stand.
    expect(micros.some((inverter) => kept(microRules(module, window, inverter)))).toBe(window.coldVocV <= 60)
    expect(catalogue.optimizers.some((sheet) => kept(optimizerRules(module, window, sheet)))).toBe(true)
  }
})

test('every DC-coupled battery has hybrids to hang on, and every hybrid has batteries for it', () => {
  const hybrids = catalogue.inverters.filter(({ batteryPort }) => batteryPort)
  const coupled = catalogue.batteries.filter(({ dcSide }) => dcSide)
  expect([hybrids.length, coupled.length]).toEqual([5, 3])
  for (const battery of coupled) expect(hybrids.some((hybrid) => !portFault(battery, hybrid))).toBe(true)
  for (const hybrid of hybrids) expect(coupled.some((battery) => !portFault(battery, hybrid))).toBe(true)
})

test('thirty devices: inverters of one and three phases, microinverters for one, two and four, optimizers, batteries', () => {
  const { inverters, optimizers, batteries } = catalogue
  expect(inverters.length + optimizers.length + batteries.length).toBeGreaterThanOrEqual(30)
  const inputs = inverters.flatMap(({ micro, mppInputs }) => (micro ? [mppInputs] : []))
  expect(new Set(inputs)).toEqual(new Set([1, 2, 4]))
  for (const { fewestPerString, mostPerString, outputV, powerW, stringPowerW, stepDown } of optimizers) {
    expect(fewestPerString).toBeLessThan(mostPerString)
    // A string of the most powerful modules is still longer than the shortest.
    expect(fewestPerString * powerW).toBeLessThan(stringPowerW)
    // One that only lowers volts leaves them to the modules of its string.
    if (!stepDown) expect(fewestPerString * outputV).toBeGreaterThan(300)
  }
})
