import { snowCover, snowLoss } from './snow-cover'

const series = (n: number, of: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => of(i))

test('a fall covers, warm air lets it slide by 0.197 sin(tilt) an hour, bare ground clears (Marion et al. 2013)', () => {
  // Depth: nothing, then 5 cm from hour 2 to 9, then nothing.
  const depth = series(12, (i) => (i >= 2 && i < 10 ? 0.05 : 0))
  // Frost until hour 5, then 5 °C; light 400 W/m²: it slides above -5 °C.
  const air = series(12, (i) => (i < 5 ? -10 : 5))
  const cover = snowCover(
    depth,
    series(12, () => 400),
    air,
    30,
    60,
  )
  const slide = 0.197 * Math.sin(Math.PI / 6)
  expect([...cover.slice(0, 5)]).toEqual([0, 0, 1, 1, 1])
  expect(cover[5]).toBeCloseTo(1 - slide, 6)
  expect(cover[8]).toBeCloseTo(1 - 4 * slide, 6)
  expect([...cover.slice(10)]).toEqual([0, 0])
})

test('in frost without sun it stays; on a level plane it never slides', () => {
  const depth = series(24, (i) => (i === 0 ? 0 : 0.1))
  const cold = snowCover(
    depth,
    series(24, () => 0),
    series(24, () => -3),
    40,
    60,
  )
  expect(cold[23]).toBe(1)
  const level = snowCover(
    depth,
    series(24, () => 800),
    series(24, () => 3),
    0,
    60,
  )
  expect(level[23]).toBe(1)
})

test('quarter hours slide a quarter as far', () => {
  const depth = series(40, (i) => (i === 0 ? 0 : 0.1))
  const cover = snowCover(
    depth,
    series(40, () => 800),
    series(40, () => 3),
    45,
    15,
  )
  expect(cover[5]).toBeCloseTo(1 - (4 * 0.197 * Math.SQRT1_2) / 4, 6)
})

test('whole groups go: half-cut upright modules lose by halves, others at once', () => {
  expect(snowLoss(0, 2)).toBe(0)
  expect(snowLoss(0.1, 2)).toBe(0.5)
  expect(snowLoss(0.51, 2)).toBe(1)
  expect(snowLoss(0.01, 1)).toBe(1)
  expect(snowLoss(1 / 3, 3)).toBeCloseTo(1 / 3, 12)
})
