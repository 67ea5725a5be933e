import { fitDiode } from '@/core/energy/fit-diode'
import { inverterAc } from '@/core/energy/inverter-curve'
import { diodeAt, maximumPower } from '@/core/energy/single-diode'
import { stringWindow } from '@/core/electrical/stringing'
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

test('inverters of the catalogue convert at about their weighted efficiency', () => {
  for (const inverter of catalogue.inverters) {
    const dcW = inverter.acPowerW * 0.6
    const { acW } = inverterAc(dcW, inverter, inverter.king?.dcVoltsV ?? 360)
    expect(Math.abs(acW / dcW - inverter.efficiency)).toBeLessThan(0.015)
  }
})

test('any module can be strung to any inverter in the coldest of the towns', () => {
  for (const module of catalogue.modules)
    for (const inverter of catalogue.inverters) {
      const window = stringWindow(module, inverter, -18, 45)
      expect(window.most).toBeGreaterThan(window.fewest)
      expect(window.most).toBeLessThanOrEqual(window.mostStanding)
    }
})
