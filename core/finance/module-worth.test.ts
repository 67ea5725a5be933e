import { moduleWorth, worthOfYield } from './module-worth'

const series = (...values: number[]) => Float64Array.from(values)

test('a kWh more is sold, lost, stored or used in the place of a bought one', () => {
  const worth = worthOfYield(
    {
      sold: series(1, 2, 0, 0, 0),
      curtailed: series(0, 1, 0, 0, 0),
      charged: series(1, 1, 1, 0, 0),
      discharged: series(0, 0, 0, 0, 2),
    },
    series(0.1, 0.1, 0.1, 0.2, 0.5),
    series(0.05, 0.06, 0.05, 0.05, 0.05),
    0.8,
  )
  // Stored: spares the evening's 0.5, less a fifth on the way in and out.
  expect([...worth]).toEqual([0.05, 0, 0.5 * 0.8, 0.2, 0.5])
})

test('a battery that never gives anything is worth nothing to fill', () => {
  const nothing = series(0)
  const flows = { sold: nothing, curtailed: nothing, charged: series(1), discharged: nothing }
  expect([...worthOfYield(flows, series(0.3), series(0.1), 1)]).toEqual([0])
})

test('modules share each hour’s money by their light in it', () => {
  const lights = [Float32Array.of(300, 0, 100), Float32Array.of(100, 400, 0)]
  // Entries are of the intervals 1, 2 and 4; the last has light and no yield.
  const worth = moduleWorth(lights, [1, 2, 4], series(9, 2, 3, 9, 0), series(9, 0.1, 0.5, 9, 1))
  expect(worth[0]).toBeCloseTo(0.75 * 0.2, 12)
  expect(worth[1]).toBeCloseTo(0.25 * 0.2 + 1.5, 12)
  expect([...moduleWorth([], [1], series(0, 1), series(0, 1))]).toEqual([])
  expect([...moduleWorth([Float32Array.of(0)], [0], series(1), series(1))]).toEqual([0])
})
