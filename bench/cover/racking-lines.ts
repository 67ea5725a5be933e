import { add3, dot3, scale3, sub3, type Vec3 } from '@/core/geometry/vector'
import { type Site } from '@/core/site/site'
import { holdingsIn } from '@/core/stages/structure'
import { type Design } from '@/core/stages/world'
import { footOutline, railOutline } from '@/core/structure/outlines'
import { type DrawnRacking } from '@/stage/racking'

/** Off the modules, so that they do not hide it, m. */
const clearM = 0.02

/** Rails as wide as they are and the plates of their feet, drawn over the modules they lie under. */
export function rackingLines(site: Site, design: Design): DrawnRacking {
  const parts = holdingsIn(site, design).flatMap((holding) => {
    if (holding.is !== 'rails') return []
    const { normal, rails, arrayId } = holding
    const over = scale3(normal, modulesOverM(site, arrayId) + clearM)
    const around = (corners: readonly Vec3[]) =>
      corners.map((a, i) => [add3(a, over), add3(corners[(i + 1) % corners.length] ?? a, over)] as const)
    return [
      {
        rails: rails.flatMap((rail) => around(railOutline(rail, holding))),
        feet: rails.flatMap((rail) => rail.feet.flatMap((foot) => around(footOutline(foot, rail, holding)))),
      },
    ]
  })
  return { rails: parts.flatMap(({ rails }) => rails), feet: parts.flatMap(({ feet }) => feet) }
}

/** How far the faces of an array's modules are off its plane, m. */
function modulesOverM({ arrays }: Site, arrayId: string): number {
  const array = arrays.find(({ id }) => id === arrayId)
  const [on, face] = [array?.margins?.plane.corners[0], array?.panels[0]?.corners[0]]
  return array && on && face ? dot3(sub3(face, on), array.plane.normal) : 0
}
