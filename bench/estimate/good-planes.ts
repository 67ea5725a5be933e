import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { estimateAzimuths, estimateTilts, type QuickEstimate } from '@/core/energy/quick-estimate'
import { type FaceSunMap } from '@/core/energy/sun-map'
import { type RunSummary } from '@/core/readers/summary'
import { type RoofPlane } from '@/core/roof/plane'
import { isRoofed, isSamePlane, type Site } from '@/core/site/site'
import { newId } from '@/core/model/new-id'

/** Modules that a string has at least; 1 where modules have electronics of their own, and as long as nothing is known. */
export const fewestInString = (summary: Pick<RunSummary, 'electronics' | 'window'> | undefined): number =>
  summary?.electronics === 'none' ? summary.window.fewest : 1

/** Planes that give less than this share of what the best one gives are left empty. */
export const leastShare = 0.7

const nearest = (values: readonly number[], wanted: number, away: (a: number, b: number) => number) =>
  values.reduce((best, value, k) => (away(value, wanted) < away(values[best] ?? 0, wanted) ? k : best), 0)

const around = (a: number, b: number) => Math.abs(((((a - b) % 360) + 540) % 360) - 180)

/** Energy of a kilowatt on a plane, kWh a year, as the table of the estimate has the nearest one. */
export const kwhPerKwOf = (
  { kwhPerKw }: QuickEstimate,
  { pitchDeg, azimuthDeg }: { readonly pitchDeg: number; readonly azimuthDeg: number },
): number =>
  kwhPerKw[nearest(estimateTilts, pitchDeg, (a, b) => Math.abs(a - b))]?.[
    nearest(estimateAzimuths, azimuthDeg, around)
  ] ?? 0

/** What planes give by their tilt and direction; shade is not known here. */
export const byEstimate = (estimate: QuickEstimate): PlaneWorth => ({
  of: (face) => kwhPerKwOf(estimate, face),
  best: estimate.best.kwhPerKw,
})

/** The light on planes as they stand, in the shade there is; planes that it is not known of have none. */
export function bySunMap(
  faces: readonly { readonly face: RoofPlane; readonly map: FaceSunMap }[],
): PlaneWorth {
  const means = faces.map(({ face, map }) => ({ face, kwhM2: meanOf(map) }))
  return {
    of: (plane) => means.find(({ face }) => isSamePlane(face, plane))?.kwhM2 ?? 0,
    best: Math.max(0, ...means.map(({ kwhM2 }) => kwhM2)),
  }
}

/** Over the cells that lie on the plane. */
function meanOf({ values }: Pick<FaceSunMap, 'values'>): number {
  let [sum, lit] = [0, 0]
  for (const kwh of values)
    if (kwh > 0) {
      sum += kwh
      lit++
    }
  return lit === 0 ? 0 : sum / lit
}

/** What planes are ranked by, and what the best there is has of it. */
export interface PlaneWorth {
  readonly of: (plane: RoofPlane) => number
  readonly best: number
}

/** Arrays for the house's empty planes that are worth covering, the best first. */
export function goodPlanes(
  site: Site,
  option: Objects,
  worth: PlaneWorth,
  random: () => number,
): PanelArray[] {
  const laid = ofKind(option, 'array')
  const least = leastShare * worth.best
  return (
    site.objects
      .filter(isRoofed)
      .flatMap(({ id, geometry }) => geometry.faces.map((face) => ({ id, face, kwh: worth.of(face) })))
      .filter(
        ({ id, face, kwh }) =>
          kwh > 0 &&
          kwh >= least &&
          !laid.some(
            (array) =>
              array.volumeId === id && array.edgeIndex === face.edgeIndex && array.step === face.step,
          ),
      )
      .sort((a, b) => b.kwh - a.kwh || a.face.id.localeCompare(b.face.id))
      // A plane that something parts comes in several faces, and is laid as one.
      .filter(
        ({ id, face }, k, all) =>
          all.findIndex(
            (other) =>
              other.id === id && other.face.edgeIndex === face.edgeIndex && other.face.step === face.step,
          ) === k,
      )
      .map(({ id, face: { edgeIndex, step } }) => ({
        ...defaultArray,
        id: newId('array', random),
        volumeId: id,
        edgeIndex,
        step,
        removed: [],
      }))
  )
}
