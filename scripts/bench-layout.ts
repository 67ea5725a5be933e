import { type Vec2 } from '@/core/geometry/vector'
import { layOnPlane, type LayRequest } from '@/core/layout/lay'
import { patterns } from '@/core/layout/patterns'
import { seededRandom } from '@/core/model/random'

/** How long a plane takes to be laid in each pattern, and how many it holds, next to the first layouts' search. */
const quantile = (values: number[], share: number) =>
  values.sort((a, b) => a - b)[Math.floor(values.length * share)] ?? NaN

/** A level plane of a roof's shapes with obstructions, so many times as large. */
function planeOf(seed: number, scale: number): Omit<LayRequest, 'pattern'> {
  const random = seededRandom(seed)
  const between = (least: number, most: number) => least + (most - least) * random()
  const [w, h, cut] = [between(14, 18) * scale, between(7, 9) * scale, between(0.3, 0.7)]
  const shapes: readonly Vec2[][] = [
    [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ],
    [
      [0, 0],
      [w, 0],
      [w * (1 - cut / 3), h],
      [(w * cut) / 3, h],
    ],
    [
      [0, 0],
      [w, 0],
      [w, h * cut],
      [w * cut, h * cut],
      [w * cut, h],
      [0, h],
    ],
    [
      [0, 0],
      [w, 0],
      [w + 2 * cut, h],
      [2 * cut, h],
    ],
  ]
  const outline = shapes[Math.floor(between(0, 4))] ?? []
  return {
    plane: { corners: outline.map(([x, y]) => [x, y, 0] as const), normal: [0, 0, 1] },
    setbacksM: outline.map(() => 0.3),
    obstructions: Array.from({ length: 5 }, () => {
      const [x, y, half] = [between(0, w), between(0, h), between(0.1, 0.5)]
      return {
        base: [
          [x - half, y - half],
          [x + half, y - half],
          [x + half, y + half],
          [x - half, y + half],
        ] as const,
        clearanceM: 0.2,
      }
    }),
    module: { widthM: 1.134, lengthM: 1.722 },
    gapM: 0.02,
    orientation: 'best',
    liftM: 0.1,
  }
}

for (const [what, scale, rounds] of [
  ['A plane of about 40 modules', 1, 60],
  ['A plane of about 2,000 modules', 6, 6],
] as const) {
  const planes = Array.from({ length: rounds }, (_, k) => planeOf(k + 1, scale))
  let plain = 0
  for (const pattern of ['plain', ...patterns] as const) {
    for (const plane of planes.slice(0, 5)) layOnPlane({ ...plane, pattern })
    const times: number[] = []
    let modules = 0
    for (const plane of planes) {
      const begin = performance.now()
      modules += layOnPlane({ ...plane, pattern }).length
      times.push(performance.now() - begin)
    }
    plain ||= modules
    console.log(
      `${what}, ${pattern}: ${(modules / rounds).toFixed(1)} modules, ${(100 * (modules / plain - 1)).toFixed(1)} % more; ${quantile(times, 0.5).toFixed(1)} ms, ${quantile(times, 0.95).toFixed(1)} ms at the 95th percentile`,
    )
  }
}
