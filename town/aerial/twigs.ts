import { type Vec2 } from '@/core/geometry/vector'
import { seededRandom } from '@/core/model/random'
import { type TownTree } from '../lot'
import { paintArea, type Colour, type Picture } from './ground'
import { strip } from './sheet'
import { type LowSun } from './shadows'

const [lit, unlit]: readonly [Colour, Colour] = [
  [138, 124, 106],
  [92, 82, 72],
]
const boughs = 9
/** A bough forks so often, and each fork is so much shorter and thinner. */
const [forks, shorter, thinner] = [4, 0.66, 0.6]

/** A crown without its leaves: boughs that fork from the stem outwards, lighter towards the sun. */
export function paintTwigs(picture: Picture, tree: TownTree, { towards }: LowSun): void {
  const radius = tree.crownDiameterM / 2
  const random = seededRandom(Math.round(tree.center[0] * 131 + tree.center[1] * 977) >>> 0)
  const grow = (from: Vec2, turnRad: number, lengthM: number, wideM: number, left: number): void => {
    const to: Vec2 = [from[0] + Math.cos(turnRad) * lengthM, from[1] + Math.sin(turnRad) * lengthM]
    const side = ((to[0] - tree.center[0]) * towards[0] + (to[1] - tree.center[1]) * towards[1]) / radius
    paintArea(picture, strip(from, to, wideM), side + random() > 0.5 ? lit : unlit, 0.2)
    if (left === 0) return
    for (const way of [-1, 1])
      grow(to, turnRad + way * (0.25 + 0.5 * random()), lengthM * shorter, wideM * thinner, left - 1)
  }
  // The lengths of a bough and of its forks together reach the crown's edge.
  const whole = (1 - shorter ** (forks + 1)) / (1 - shorter)
  for (let k = 0; k < boughs; k++)
    grow(
      tree.center,
      ((k + 0.6 * random()) / boughs) * 2 * Math.PI,
      (radius * (0.9 + 0.15 * random())) / whole,
      Math.min(0.3, 0.05 * radius + 0.05),
      forks,
    )
}
