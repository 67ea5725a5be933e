import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { estimateAzimuths, estimateTilts, type QuickEstimate } from '@/core/energy/quick-estimate'
import { isRoofed, type Site } from '@/core/site/site'
import { newId } from '@/core/model/new-id'

/** Planes that give less than this share of the best one's energy are left empty. */
const leastShare = 0.7

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

/** Arrays for the house's empty planes that are worth covering, the sunniest first; shade is not known here. */
export function goodPlanes(
  site: Site,
  option: Objects,
  estimate: QuickEstimate,
  random: () => number,
): PanelArray[] {
  const laid = ofKind(option, 'array')
  const least = leastShare * estimate.best.kwhPerKw
  return (
    site.objects
      .filter(isRoofed)
      .flatMap(({ id, geometry }) =>
        geometry.faces.map((face) => ({ id, face, kwh: kwhPerKwOf(estimate, face) })),
      )
      .filter(
        ({ id, face, kwh }) =>
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
