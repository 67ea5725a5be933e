import { inverterAc } from './inverter-curve'
import { kingAcW } from './king-inverter'

const king = {
  acPowerW: 5000,
  dcPowerW: 5200,
  dcVoltsV: 360,
  startW: 30,
  c0PerW: -4e-6,
  c1PerV: 2e-5,
  c2PerV: 0.001,
  c3PerV: -0.0005,
}

test('the end points lie on the curve: rated AC at rated DC, nothing at the start power', () => {
  expect(kingAcW(king, 5200, 360)).toBeCloseTo(5000, 9)
  expect(kingAcW(king, 30, 360)).toBeCloseTo(0, 9)
})

test('half load at other volts by hand (SAND2007-5036, eq. 1 to 4)', () => {
  const a = 5200 * (1 + 2e-5 * 40)
  const b = 30 * (1 + 0.001 * 40)
  const c = -4e-6 * (1 - 0.0005 * 40)
  const byHand = (5000 / (a - b) - c * (a - b)) * (2600 - b) + c * (2600 - b) ** 2
  expect(kingAcW(king, 2600, 400)).toBeCloseTo(byHand, 9)
  expect(kingAcW(king, 2600, 400) / 2600).toBeGreaterThan(0.95)
})

test('it clips at rated power, takes its own at night, and never gives more than it gets', () => {
  const inverter = { acPowerW: 5000, efficiency: 0.96, nightW: 2, king }
  const over = inverterAc(6500, inverter, 360)
  expect(over.acW).toBe(5000)
  expect(over.clippedW).toBeGreaterThan(1000)
  expect(over.acW + over.clippedW + over.lostW).toBeCloseTo(6500, 9)
  expect(inverterAc(0, inverter, 0)).toEqual({ acW: -2, clippedW: 0, lostW: 2 })
  for (let dcW = 1; dcW < 6000; dcW += 37) {
    const { acW } = inverterAc(dcW, inverter, 300)
    expect(acW).toBeLessThanOrEqual(dcW)
    expect(acW).toBeGreaterThanOrEqual(-2)
  }
})
