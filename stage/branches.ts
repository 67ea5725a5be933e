import { BufferGeometry, Float32BufferAttribute } from 'three'
import { add3, cross3, dot3, length3, scale3, sub3, unit3, type Vec3 } from '@/core/geometry/vector'
import { seededRandom } from '@/core/model/random'

/** A branch inside a crown of radius 1 about the origin; it tapers to its end. */
export interface Branch {
  readonly from: Vec3
  readonly to: Vec3
  readonly thick: number
}

const levels = 5
const limbs = 7
/** Limbs leave the trunk between these heights. */
const [lowestLimb, highestLimb] = [-0.8, -0.25]
const goldenAngle = Math.PI * (3 - Math.sqrt(5))
/** Twigs end a little inside the crown. */
const within = 0.98

/** The same tree for the same seed. */
export function branchesOf(seed: number): Branch[] {
  const random = seededRandom(seed)
  const between = (low: number, high: number) => low + (high - low) * random()
  const found: Branch[] = []
  const grow = (from: Vec3, way: Vec3, length: number, thick: number, level: number): void => {
    const to = keptWithin(from, add3(from, scale3(way, length)))
    if (length3(sub3(to, from)) < 0.04) return
    found.push({ from, to, thick })
    if (level === levels) return
    const children = random() < 0.45 ? 3 : 2
    const turn = between(0, 2 * Math.PI)
    for (let k = 0; k < children; k++) {
      const bent = between(0.3, 0.62)
      const next = bend(way, turn + (2 * Math.PI * k) / children, bent)
      // Twigs strive upwards and outwards.
      const pulled = unit3(add3(next, add3(scale3(to, 0.12), [0, 0, 0.14])))
      grow(to, pulled, length * between(0.62, 0.82), thick * 0.62, level + 1)
    }
  }
  for (let k = 0; k < limbs; k++) {
    const share = k / (limbs - 1)
    const around = goldenAngle * k + between(-0.3, 0.3)
    const rise = between(0.45, 0.75) + 0.5 * share
    const way: Vec3 = [Math.cos(around) * Math.cos(rise), Math.sin(around) * Math.cos(rise), Math.sin(rise)]
    grow([0, 0, lowestLimb + (highestLimb - lowestLimb) * share], way, between(0.4, 0.52), 0.026, 1)
  }
  grow([0, 0, highestLimb], unit3([between(-0.15, 0.15), between(-0.15, 0.15), 1]), 0.42, 0.03, 1)
  return found
}

function bend(way: Vec3, around: number, by: number): Vec3 {
  const side = unit3(cross3(way, Math.abs(way[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0]))
  const other = cross3(way, side)
  const across = add3(scale3(side, Math.cos(around)), scale3(other, Math.sin(around)))
  return unit3(add3(scale3(way, Math.cos(by)), scale3(across, Math.sin(by))))
}

/** The end of a way that starts inside the crown, cut off where it leaves it. */
function keptWithin(from: Vec3, to: Vec3): Vec3 {
  if (length3(to) <= within) return to
  const d = sub3(to, from)
  const [a, b, c] = [dot3(d, d), dot3(from, d), dot3(from, from) - within * within]
  const t = (-b + Math.sqrt(Math.max(0, b * b - a * c))) / a
  return add3(from, scale3(d, Math.max(0, Math.min(1, t))))
}

/** Tubes of three sides round the thicker branches, for their shadow. */
export function tubesOf(branches: readonly Branch[], thickest: number): BufferGeometry {
  const positions: number[] = []
  for (const { from, to, thick } of branches) {
    const way = unit3(sub3(to, from))
    const corners = [0, 1, 2].map((k) =>
      scale3(bend(way, (2 * Math.PI * k) / 3, Math.PI / 2), Math.max(thickest, thick) / 2),
    )
    corners.forEach((a, k) => {
      const b = corners[(k + 1) % 3] ?? a
      const [p, q, r, s] = [add3(from, a), add3(from, b), add3(to, b), add3(to, a)]
      positions.push(...p, ...q, ...r, ...p, ...r, ...s)
    })
  }
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3))
  return geometry
}
