import { seededRandom } from '../model/random'
import { inOneString, type Together } from './module-electronics'

const limits = { outputV: 60, outputCurrentA: 15, stringLowV: 300, stringHighV: 500 }
const together = (watts: readonly number[], other: Partial<typeof limits> = {}): Together =>
  inOneString(Float64Array.from(watts), { ...limits, ...other }, { powerW: 0, voltsV: 0 })

test('by hand: ten alike are held by nothing, at the lowest volts', () => {
  // 3000 W at 300 V are 10 A; each makes 30 V.
  expect(together(Array(10).fill(300) as number[])).toEqual({ powerW: 3000, voltsV: 300 })
})

test('by hand: the greatest current asks for more volts, and in the end for less power', () => {
  // 6000 W at 15 A are 400 V: within the window.
  expect(together(Array(12).fill(500) as number[])).toEqual({ powerW: 6000, voltsV: 400 })
  // 9000 W would be 600 V; at 500 V and 15 A there are 7500 W.
  expect(together(Array(18).fill(500) as number[])).toEqual({ powerW: 7500, voltsV: 500 })
})

test('by hand: one bright module among dark ones is held at its greatest volts', () => {
  // Seven of 10 W and one of 400 W: at a current I the one gives 60 I, the others 70 W, and all make 300 I.
  const { powerW, voltsV } = together([400, 10, 10, 10, 10, 10, 10, 10])
  expect(voltsV).toBe(300)
  expect(powerW).toBeCloseTo(300 * (70 / 240), 6)
})

test('too few optimizers never reach the volts that the inverter works at', () => {
  expect(together([300, 300, 300, 300])).toEqual({ powerW: 0, voltsV: 0 })
  expect(together([300, 300, 300, 300, 300]).powerW).toBeGreaterThan(0)
  expect(together([0, 0, 0, 0, 0])).toEqual({ powerW: 0, voltsV: 0 })
})

/** Every volt and every current in small steps, and the most power that keeps to all limits. */
function slowly(
  watts: readonly number[],
  { outputV, outputCurrentA, stringLowV, stringHighV }: typeof limits,
) {
  let best = 0
  for (let volts = stringLowV; volts <= stringHighV; volts += 2)
    for (let step = 1; step <= 3000; step++) {
      const amperes = (outputCurrentA * step) / 3000
      const reach = watts.reduce((sum, one) => sum + Math.min(one / amperes, outputV), 0)
      if (reach >= volts) best = Math.max(best, volts * amperes)
    }
  return best
}

test('never more than any volts and current allow, and as much as the best of them', () => {
  const random = seededRandom(41)
  for (let k = 0; k < 60; k++) {
    const own = {
      outputV: 30 + random() * 50,
      outputCurrentA: 8 + random() * 10,
      stringLowV: 100 + random() * 200,
      stringHighV: 320 + random() * 200,
    }
    const watts = Array.from({ length: 3 + Math.floor(random() * 18) }, () =>
      random() < 0.3 ? random() * 30 : random() * 450,
    )
    const { powerW, voltsV } = together(watts, own)
    const sum = watts.reduce((all, one) => all + one, 0)
    expect(powerW).toBeLessThanOrEqual(sum + 1e-9)
    if (powerW > 0) {
      expect(voltsV).toBeGreaterThanOrEqual(own.stringLowV)
      expect(voltsV).toBeLessThanOrEqual(own.stringHighV)
      expect(powerW / voltsV).toBeLessThanOrEqual(own.outputCurrentA + 1e-9)
    }
    const slow = slowly(watts, own)
    expect(powerW).toBeGreaterThanOrEqual(slow - 1e-6)
    // The grid of the slow way is two volts and a three-thousandth of the current wide.
    expect(powerW - slow).toBeLessThan(0.02 * sum + 1)
  }
})

test('more light on one module never gives less', () => {
  const random = seededRandom(42)
  for (let k = 0; k < 2000; k++) {
    const watts = Array.from({ length: 5 + Math.floor(random() * 15) }, () => random() * 400)
    const at = Math.floor(random() * watts.length)
    const more = watts.map((one, m) => (m === at ? one + random() * 50 : one))
    expect(together(more).powerW).toBeGreaterThanOrEqual(together(watts).powerW - 1e-6)
  }
})
