import { type PanelString } from '../electrical/stringing'
import { type Vec3 } from '../geometry/vector'
import { type LaidArray, type Site } from '../site/site'

/** Leads at each module, from its box to their connectors, m. */
export const leadM = 1.2
/** Left at the foot of the wall for the inverter, m. */
export const spareM = 3

/** How a string is wired on the roof and down. */
export interface StringRun {
  readonly id: string
  /** Between modules further apart than their leads reach. */
  readonly extensions: readonly { readonly fromM: number }[]
  /** Both conductors from the string's ends down to the ground, m. */
  readonly homeM: number
}

const centre = (corners: readonly Vec3[]): Vec3 => {
  const sum = corners.reduce<Vec3>((all, c) => [all[0] + c[0], all[1] + c[1], all[2] + c[2]], [0, 0, 0])
  return [sum[0] / corners.length, sum[1] / corners.length, sum[2] / corners.length]
}

const apart = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

/**
 * Cables of strings that hang on an input, until the inverter has its place: from each end down the slope to the
 * lower edge of its modules, from there to the ground, and three metres more.
 */
export function stringRuns(site: Site, strings: readonly PanelString[]): StringRun[] {
  const placed = new Map(
    site.faces.flatMap((face) =>
      face.panels.map((panel) => [panel.id, { face, at: centre(panel.corners) }] as const),
    ),
  )
  return strings
    .filter(({ input }) => input >= 0)
    .map(({ id, panelIds }) => {
      const found = panelIds.flatMap((panelId) => placed.get(panelId) ?? [])
      const [first, last] = [found[0], found.at(-1)]
      return {
        id,
        extensions: found.slice(1).flatMap(({ at }, k) => {
          const before = found[k]
          const distance = before ? apart(before.at, at) : 0
          return distance > 2 * leadM ? [{ fromM: distance }] : []
        }),
        homeM: [first, last].reduce((sum, end) => sum + (end ? downM(end) : 0), 0),
      }
    })
}

/** Along the slope to the lower edge of its modules, and from there to the ground. */
function downM({ face, at }: { readonly face: LaidArray; readonly at: Vec3 }): number {
  const lowest = Math.min(...face.panels.flatMap(({ corners }) => corners.map(([, , z]) => z)))
  const slope = Math.sin((face.plane.pitchDeg * Math.PI) / 180)
  return (slope > 0.01 ? (at[2] - lowest) / slope : 0) + Math.max(0, lowest) + spareM
}
