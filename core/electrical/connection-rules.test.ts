import { seededRandom } from '../model/random'
import { busbarRule, shutdownRule, unbalancedRule } from './connection-rules'

const split = { gridPhases: 'split', gridVoltageV: 240 } as const
const three = { gridPhases: 'three', gridVoltageV: 400 } as const

test('by hand: 200 A bar and main, 7.6 kW: 200 + 1.25 × 31.7 = 239.6 of 240 A', () => {
  const rule = busbarRule({ inverterW: 7600, batteryW: 0 }, { ...split, busbarA: 200, mainBreakerA: 200 })
  expect(rule?.figure).toBeCloseTo(200 + (1.25 * 7600) / 240, 9)
  expect(rule).toMatchObject({ limit: 240, ok: true })
  // A battery beside it is a source as well.
  expect(
    busbarRule({ inverterW: 7600, batteryW: 5000 }, { ...split, busbarA: 200, mainBreakerA: 200 }),
  ).toMatchObject({ ok: false })
  expect(
    busbarRule({ inverterW: 7600, batteryW: 5000 }, { ...split, busbarA: 200, mainBreakerA: 150 }),
  ).toMatchObject({ ok: true })
})

test('three phases: what flows in each, and no fifth more; nothing is said of ratings that nobody knows', () => {
  const rule = busbarRule({ inverterW: 10_000, batteryW: 0 }, { ...three, busbarA: 63, mainBreakerA: 40 })
  expect(rule?.figure).toBeCloseTo(40 + (1.25 * 10_000) / (400 * Math.sqrt(3)), 9)
  expect(rule?.limit).toBe(63)
  expect(busbarRule({ inverterW: 1, batteryW: 0 }, { ...three, busbarA: null, mainBreakerA: 40 })).toBeNull()
  expect(busbarRule({ inverterW: 1, batteryW: 0 }, { ...three, busbarA: 63, mainBreakerA: null })).toBeNull()
})

test('one inverter of one phase is alone on its own; of three it feeds all alike', () => {
  const site = { gridPhases: 'three', unbalancedKw: 4.6 } as const
  expect(unbalancedRule(1, [5000], site)).toMatchObject({ figure: 5, limit: 4.6, ok: false })
  expect(unbalancedRule(3, [5000], site)).toBeNull()
  expect(unbalancedRule(1, [5000], { ...site, gridPhases: 'single' })).toBeNull()
  expect(unbalancedRule(1, [5000], { ...site, unbalancedKw: null })).toBeNull()
  // Two side by side leave one phase empty; three fill all.
  expect(unbalancedRule(1, [4000, 4000], site)).toMatchObject({ figure: 4, ok: true })
  expect(unbalancedRule(1, [2000, 2000, 2000], site)).toMatchObject({ figure: 0, ok: true })
  expect(unbalancedRule(1, [3000, 2000, 1000, 1000], site)).toMatchObject({ figure: 1 })
})

test('seeded branches: never worse than dealing them out as they come, and within the largest of them', () => {
  const random = seededRandom(52)
  for (let round = 0; round < 500; round++) {
    const branches = Array.from({ length: 1 + Math.floor(random() * 9) }, () => 200 + random() * 3000)
    const dealt = [0, 0, 0]
    branches.forEach((watts, b) => (dealt[b % 3] = (dealt[b % 3] ?? 0) + watts))
    const rule = unbalancedRule(1, branches, {
      gridPhases: 'three',
      unbalancedKw: 1,
    })
    expect(rule?.figure).toBeLessThanOrEqual(Math.max(...branches) / 1000 + 1e-9)
    if (branches.length < 4)
      expect(rule?.figure).toBeCloseTo((Math.max(...dealt) - Math.min(...dealt)) / 1000, 9)
  }
})

test('shutdown is missing only where it is asked for and nothing at the modules does it', () => {
  expect(shutdownRule(17, true)).toMatchObject({ figure: 17, ok: false })
  expect(shutdownRule(0, true).ok).toBe(true)
  expect(shutdownRule(17, false).ok).toBe(true)
})
