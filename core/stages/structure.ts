import { containsPoint } from '../geometry/polygon'
import { boundsOf } from '../geometry/bounds'
import { stage, type Stage } from '../graph/stage'
import { planOf, type RoofPlane } from '../roof/plane'
import { isSamePlane, type LaidArray, type Site, type StandingObject } from '../site/site'
import { flatBelowDeg } from '../setbacks/edges'
import { ballastOf } from '../structure/ballast'
import { coveringOn, mountingOn } from '../structure/choose'
import { type Holding } from '../structure/holding'
import { type Mounting } from '../structure/mounting'
import { windAt } from '../structure/pressures'
import { rackingOf, type OnPlane } from '../structure/racking'
import { siteStage } from './site'
import { coverIn, fieldsOf, moduleIn, modulesFor, siteIn, type Design } from './world'

/** Of a module whose sheet does not say, kg/m². */
const usualKgPerM2 = 11.5

/** All that decides what modules are held with, beside where they lie. */
export type Held = {
  readonly place: ReturnType<typeof placeOf>
  /** Of the catalogue and the job, in their order. */
  readonly mountings: readonly Mounting[]
  readonly chosen: ReturnType<typeof chosenOf>
  readonly module: { readonly kg: number; readonly m2: number }
}

const placeOf = (design: Design) =>
  fieldsOf(siteIn(design), 'windMs', 'windMean', 'terrain', 'snowLoadKpa', 'roofCovering', 'rafterSpacingM')
const chosenOf = (design: Design) => fieldsOf(coverIn(design), 'mountingId', 'flatMountingId', 'footEvery')

/** @throws Fault `unknown-equipment` */
export function heldIn(design: Design): Held {
  const { widthM, lengthM, weightKg } = moduleIn(design)
  const m2 = widthM * lengthM
  return {
    place: placeOf(design),
    mountings: design.catalogue.mountings,
    chosen: chosenOf(design),
    module: { m2, kg: weightKg ?? m2 * usualKgPerM2 },
  }
}

/** The building a plane belongs to: of a dormer's the one it stands on. */
function buildingOf(site: Site, plane: RoofPlane): StandingObject | undefined {
  const owner = site.objects.find(({ whole }) => whole.faces.some((face) => isSamePlane(face, plane)))
  if (owner?.kind !== 'dormer') return owner
  const [corner] = plane.corners
  return site.objects.find(
    ({ kind, whole }) =>
      kind === 'volume' &&
      corner !== undefined &&
      whole.faces.some((face) => containsPoint(planOf(face.corners), [corner[0], corner[1]])),
  )
}

const roofed: ReadonlySet<string> = new Set(['volume', 'dormer'])

/** What holds the modules of each array on a roof; those of canopies and racks stand on their own. */
export const holdingsOf = (site: Site, held: Held): Holding[] =>
  site.arrays.flatMap((array) => {
    const plane = array.margins?.plane
    const building = plane && buildingOf(site, plane)
    if (!plane || !building || !roofed.has(building.kind) || array.panels.length === 0) return []
    return [holdingOf(array, plane, building, held)]
  })

function holdingOf(array: LaidArray, plane: RoofPlane, building: StandingObject, held: Held): Holding {
  const { place, module } = held
  const { faces, topM } = building.whole
  const [low, high] = boundsOf(faces.flatMap((face) => face.corners))
  const standsUp = array.plane.pitchDeg !== plane.pitchDeg || array.plane.azimuthDeg !== plane.azimuthDeg
  const covering = standsUp ? 'membrane' : coveringOn(plane, place.roofCovering)
  const mounting = mountingOn(held.mountings, held.chosen, covering)
  const on: OnPlane = {
    arrayId: array.id,
    plane,
    faces,
    widthM: Math.max(high[0] - low[0], high[1] - low[1]),
    heightM: topM,
    modules: array.panels.map(({ id, corners }) => ({ id, corners })),
    moduleKg: module.kg,
    moduleM2: module.m2,
    windKpa: windAt(place, topM),
  }
  if (mounting?.coverings.includes(covering)) {
    // Weight holds nothing on a slope.
    if (mounting.is === 'ballast' && plane.pitchDeg < flatBelowDeg) {
      const roofM = plane.corners.reduce((most, corner) => Math.max(most, corner[2]), 0)
      return ballastOf({ ...on, mounting, parapetM: faces.length === 1 ? Math.max(0, topM - roofM) : 0 })
    }
    if (mounting.is === 'rails' && !standsUp)
      return rackingOf({
        ...on,
        mounting,
        snowLoadKpa: place.snowLoadKpa,
        rafterSpacingM: place.rafterSpacingM,
        every: held.chosen.footEvery,
      })
  }
  const isChosen = held.chosen[covering === 'membrane' ? 'flatMountingId' : 'mountingId'] !== null
  return {
    is: 'unheld',
    arrayId: array.id,
    mounting: (isChosen && mounting) || null,
    covering,
    onSlope: !standsUp && plane.pitchDeg >= flatBelowDeg,
  }
}

/** The same for whoever has the site at hand; nothing while the module is not known. */
export const holdingsIn = (site: Site, design: Design): readonly Holding[] =>
  modulesFor(design).some(({ id }) => id === coverIn(design).moduleId) ? holdingsOf(site, heldIn(design)) : []

/** Rails and feet, or trays and blocks, under every array on a roof. */
export const structureStage: Stage<Design, readonly Holding[]> = stage({
  name: 'structure',
  version: 2,
  after: { site: siteStage },
  reads: heldIn,
  compute: (held, { site }) => holdingsOf(site, held),
})
