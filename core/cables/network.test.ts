import { length3, sub3, type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { Network } from './network'

test('places on a line stand in their order, whatever order they were put there in', () => {
  const network = new Network()
  const [a, b] = [network.node([0, 0, 0]), network.node([10, 0, 0])]
  const line = network.line(a, b)
  const far = network.onLine(line, [7, 0, 0])
  const near = network.onLine(line, [2, 0, 0])
  expect(network.line(b, a)).toBe(line)
  expect(network.onLine(line, [7.001, 0, 0])).toBe(far)
  const way = network.waysFrom(near)(far)
  expect(way?.lengthM).toBeCloseTo(5, 12)
  expect(way?.points).toEqual([
    [2, 0, 0],
    [7, 0, 0],
  ])
  expect(network.waysFrom(a)(network.node([0, 9, 0]))).toBeNull()
})

test('two hundred seeded networks: as short as trying every place in between', () => {
  const random = seededRandom(51)
  for (let round = 0; round < 200; round++) {
    const network = new Network()
    const places = Array.from({ length: 9 }, (): Vec3 => [random() * 20, random() * 20, random() * 6])
    const nodes = places.map((place) => network.node(place))
    const joined: [number, number][] = []
    for (let k = 0; k < 14; k++) {
      const [a, b] = [Math.floor(random() * 9), Math.floor(random() * 9)]
      if (a === b) continue
      joined.push([a, b])
      network.line(nodes[a] ?? 0, nodes[b] ?? 0)
    }
    const apart = (a: number, b: number) => length3(sub3(places[a] ?? [0, 0, 0], places[b] ?? [0, 0, 0]))
    const least = places.map((_, a) => places.map((__, b) => (a === b ? 0 : Infinity)))
    const row = (a: number) => least[a] ?? []
    for (const [a, b] of joined) row(a)[b] = row(b)[a] = apart(a, b)
    for (let via = 0; via < 9; via++)
      for (let a = 0; a < 9; a++)
        for (let b = 0; b < 9; b++)
          row(a)[b] = Math.min(row(a)[b] ?? Infinity, (row(a)[via] ?? Infinity) + (row(via)[b] ?? Infinity))
    const ways = network.waysFrom(nodes[0] ?? 0)
    for (let b = 0; b < 9; b++) {
      const way = ways(nodes[b] ?? 0)
      const expected = row(0)[b] ?? Infinity
      if (expected === Infinity) expect(way).toBeNull()
      else expect(way?.lengthM).toBeCloseTo(expected, 9)
      const drawn = (way?.points ?? []).reduce(
        (sum, point, k, all) => sum + (k > 0 ? length3(sub3(point, all[k - 1] ?? point)) : 0),
        0,
      )
      expect(drawn).toBeCloseTo(way?.lengthM ?? 0, 9)
    }
  }
})
