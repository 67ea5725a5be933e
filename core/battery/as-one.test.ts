import { asOne } from './as-one'

const battery = { usableKwh: 6.4, chargeKw: 3.2, dischargeKw: 3, efficiency: 0.978, standbyW: 5 }
const onPort = { ...battery, dcSide: { lowV: 140, highV: 190 } }
const hybrid = { acPowerW: 5000, efficiency: 0.968, batteryPort: { powerKw: 5, lowV: 90, highV: 480 } }

test('AC-coupled it is run by its sheet, whatever it stands beside', () => {
  const plain = { acPowerW: 3800, efficiency: 0.9 }
  expect(asOne({ battery, count: 2, reserve: 0.1 }, { inverter: plain, inverters: 1 })).toEqual({
    usableKwh: 12.8,
    chargeKw: 6.4,
    dischargeKw: 6,
    chargeEfficiency: 0.978,
    dischargeEfficiency: 0.978,
    reserve: 0.1,
    standbyKw: 0.01,
  })
})

test('DC-coupled: told at the house’s side, no more than the port passes', () => {
  const run = asOne({ battery: onPort, count: 2, reserve: 0 }, { inverter: hybrid, inverters: 1 })
  // 6.4 kW and 6 kW could go in and out; 5 kW pass.
  expect(run?.chargeKw).toBeCloseTo(4.84, 12)
  expect(run?.dischargeKw).toBeCloseTo(4.84, 12)
  // 1 kWh inside takes 1 / 0.978 at the terminals, which would have been 0.968 / 0.978 at the house.
  expect(run?.chargeEfficiency).toBeCloseTo(0.978 / 0.968, 12)
  expect(run?.dischargeEfficiency).toBeCloseTo(0.978 * 0.968, 12)
  expect(run?.dcSide).toEqual({ inverterKw: 5, gridEfficiency: run?.dischargeEfficiency })
  const two = asOne({ battery: onPort, count: 2, reserve: 0 }, { inverter: hybrid, inverters: 2 })
  expect(two?.chargeKw).toBeCloseTo(6.4 * 0.968, 12)
  expect(two?.dcSide?.inverterKw).toBe(10)
})

test('none where there is no port, or one for other volts', () => {
  const of = (inverter: Parameters<typeof asOne>[1]['inverter']) =>
    asOne({ battery: onPort, count: 1, reserve: 0 }, { inverter, inverters: 1 })
  expect(of({ acPowerW: 5000, efficiency: 0.97 })).toBeNull()
  expect(of({ ...hybrid, batteryPort: { powerKw: 5, lowV: 141, highV: 480 } })).toBeNull()
  expect(of({ ...hybrid, batteryPort: { powerKw: 5, lowV: 90, highV: 189 } })).toBeNull()
  expect(of({ ...hybrid, batteryPort: { powerKw: 5, lowV: 140, highV: 190 } })).not.toBeNull()
  // A sheet that says both is one of a microinverter.
  expect(of({ ...hybrid, micro: { branchBreakerA: 20 } })).toBeNull()
})
