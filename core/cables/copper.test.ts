import { conductorOhm, heatedM, loadedConductors, risenM, dropFactor } from './copper'

test('by hand: 20 m of 4 mm² there and back, 10 A', () => {
  const ohm = 2 * conductorOhm(20, 4)
  expect(ohm).toBeCloseTo((2 * 0.0225 * 20) / 4, 12)
  expect(10 ** 2 * ohm).toBeCloseTo(22.5, 12)
})

test('three phases: power lost in three conductors, volts between two of them', () => {
  expect([loadedConductors({ gridPhases: 'three' }), loadedConductors({ gridPhases: 'split' })]).toEqual([
    3, 2,
  ])
  expect(dropFactor({ gridPhases: 'three' })).toBeCloseTo(Math.sqrt(3), 12)
  expect(dropFactor({ gridPhases: 'single' })).toBe(2)
})

/** Step by step: what all behind it give flows through each metre. */
function byStep(devices: number, alongM: number, homeM: number) {
  const stepM = devices > 1 ? alongM / (devices - 1) : 0
  let [heat, rise, amperes] = [0, 0, 0]
  for (let device = 1; device <= devices; device++) {
    amperes += 1 / devices
    const metres = device === devices ? homeM : stepM
    heat += amperes ** 2 * metres
    rise += amperes * metres
  }
  return { heat, rise }
}

test('a branch: as summed up step by step', () => {
  for (const devices of [1, 2, 3, 9, 24]) {
    const { heat, rise } = byStep(devices, 30, 12)
    expect(heatedM(devices, devices > 1 ? 30 : 0, 12)).toBeCloseTo(heat, 9)
    expect(risenM(devices, devices > 1 ? 30 : 0, 12)).toBeCloseTo(rise, 9)
  }
})
