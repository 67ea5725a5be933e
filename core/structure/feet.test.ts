import { seededRandom } from '../model/random'
import { feetUnder, stockFor } from './feet'

/** The fewest of the places that hold a rail, tried one set after the other; null where none does. */
function fewest(
  places: readonly number[],
  from: number,
  to: number,
  span: number,
  overhang: number,
): number | null {
  let best: number | null = null
  for (let set = 0; set < 1 << places.length; set++) {
    const at = places.filter((_, i) => set & (1 << i))
    const [first, last] = [at[0], at.at(-1)]
    if (first === undefined || last === undefined || at.length < 2) continue
    const holds =
      first - from <= overhang + 1e-9 &&
      to - last <= overhang + 1e-9 &&
      at.every((x, i) => i === 0 || x - (at[i - 1] ?? 0) <= span + 1e-9)
    if (holds && (best === null || at.length < best)) best = at.length
  }
  return best
}

test('two thousand seeded rails stand on as few feet as any choice of places allows', () => {
  const random = seededRandom(13)
  let held = 0
  for (let k = 0; k < 2000; k++) {
    const step = 0.4 + random() * 0.6
    const to = 0.6 + random() * 5
    const start = random() * step
    const places = Array.from({ length: 11 }, (_, i) => start + i * step).filter((x) => x <= to)
    const [span, overhang] = [step * (1 + random() * 3), random()]
    const feet = feetUnder(places, 0, to, span, overhang)
    const best = fewest(places, 0, to, span, overhang)
    if (best === null) {
      // Where nothing holds, the figures say so, or there are not two places.
      expect(feet.atM.length < 2 || feet.spanM > span + 1e-9 || feet.overhangM > overhang + 1e-9).toBe(true)
      continue
    }
    held++
    expect(feet.atM).toHaveLength(best)
    expect(feet.spanM).toBeLessThanOrEqual(span + 1e-6)
    expect(feet.overhangM).toBeLessThanOrEqual(overhang + 1e-6)
  }
  expect(held).toBeGreaterThan(800)
})

test('without places a rail hangs in the air, with one it has one foot', () => {
  expect(feetUnder([], 0, 2, 1, 0.4)).toEqual({ atM: [], spanM: 0, overhangM: 2 })
  expect(feetUnder([0.7], 0, 1.2, 1, 0.4)).toEqual({ atM: [0.7], spanM: 0, overhangM: 0.7 })
})

test('places too far apart are all taken, and the span tells by how much they are', () => {
  const feet = feetUnder([0, 2, 4], 0, 4, 1, 0.4)
  expect(feet.atM).toEqual([0, 2, 4])
  expect(feet.spanM).toBe(2)
})

test('a short rail far along its rafters still gets the one it left behind', () => {
  expect(feetUnder([0.1, 0.7], 0, 1, 2, 0.75).atM).toEqual([0.1, 0.7])
})

test('rails to order: whole ones, and rests cut from one where they find room', () => {
  expect(stockFor([], 4)).toBe(0)
  expect(stockFor([4], 4)).toBe(1)
  expect(stockFor([6, 6], 4)).toBe(3)
  expect(stockFor([1.2, 1.2, 1.2, 1.2], 4)).toBe(2)
  expect(stockFor([3, 2.5, 1.5, 1], 4)).toBe(2)
})

test('rails to order are never fewer than their length asks, nor more than one to a piece', () => {
  const random = seededRandom(7)
  for (let k = 0; k < 500; k++) {
    const runs = Array.from({ length: 1 + Math.floor(random() * 12) }, () => 0.5 + random() * 12)
    const stock = stockFor(runs, 4.2)
    expect(stock).toBeGreaterThanOrEqual(Math.ceil(runs.reduce((sum, m) => sum + m, 0) / 4.2 - 1e-9))
    expect(stock).toBeLessThanOrEqual(runs.reduce((sum, m) => sum + Math.ceil(m / 4.2), 0))
  }
})
