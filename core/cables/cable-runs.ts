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

/** Where each module's middle is, and what it lies on. */
export const middlesOf = (site: Site): Map<string, { readonly face: LaidArray; readonly at: Vec3 }> =>
  new Map(
    site.faces.flatMap((face) =>
      face.panels.map((panel) => [panel.id, { face, at: centre(panel.corners) }] as const),
    ),
  )

/**
 * Cables of strings that hang on an input, until the inverter has its place: from each end down the slope to the
 * lower edge of its modules, from there to the ground, and three metres more.
 */
export function stringRuns(site: Site, strings: readonly PanelString[]): StringRun[] {
  const placed = middlesOf(site)
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

/** How a branch of microinverters is wired on the roof and down. */
export interface BranchRun {
  readonly id: string
  readonly devices: number
  /** From one microinverter to the next, m. */
  readonly alongM: number
  /** Where that is further than the cable between two connectors reaches. */
  readonly jumps: number
  /** From the first of them down to the ground, m. */
  readonly homeM: number
}

/** Cable between two of its connectors, m: a module laid either way. */
export const betweenDropsM = 2.3

/** Cables of branches, each microinverter taken to hang in the middle of its modules. */
export function branchRuns(
  site: Site,
  branches: readonly PanelString[],
  devices: readonly (readonly string[])[],
): BranchRun[] {
  const placed = middlesOf(site)
  const branchOf = new Map(
    branches.flatMap(({ id, panelIds }) => panelIds.map((panel) => [panel, id] as const)),
  )
  return branches.map(({ id }) => {
    const at = devices.flatMap((panelIds): { face: LaidArray; at: Vec3 }[] => {
      const found = panelIds.flatMap((panelId) =>
        branchOf.get(panelId) === id ? (placed.get(panelId) ?? []) : [],
      )
      const [first] = found
      return first ? [{ face: first.face, at: centre(found.map(({ at: middle }) => middle)) }] : []
    })
    const steps = at.slice(1).map((next, k) => {
      const before = at[k]
      return before ? apart(before.at, next.at) : 0
    })
    const [first] = at
    return {
      id,
      devices: at.length,
      alongM: steps.reduce((sum, step) => sum + step, 0),
      jumps: steps.filter((step) => step > betweenDropsM).length,
      homeM: first ? downM(first) : 0,
    }
  })
}

/** Along the slope to the lower edge of its modules, and from there to the ground. */
function downM({ face, at }: { readonly face: LaidArray; readonly at: Vec3 }): number {
  const lowest = Math.min(...face.panels.flatMap(({ corners }) => corners.map(([, , z]) => z)))
  const slope = Math.sin((face.plane.pitchDeg * Math.PI) / 180)
  return (slope > 0.01 ? (at[2] - lowest) / slope : 0) + Math.max(0, lowest) + spareM
}
