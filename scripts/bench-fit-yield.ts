import { goodPlanes, bySunMap } from '@/bench/estimate/good-planes'
import { fitAround, type FoundAround } from '@/core/fit/around'
import { centroid } from '@/core/geometry/polygon'
import { distance2, type Vec2 } from '@/core/geometry/vector'
import { openHeights } from '@/core/heights/open-heights'
import { heightsTiff } from '@/core/heights/write-geotiff'
import { type PanelArray } from '@/core/kinds/array/array'
import { defaultCover } from '@/core/kinds/cover/cover'
import { type Objects } from '@/core/kinds/documents'
import { type Job } from '@/core/kinds/job'
import { byId } from '@/core/kinds/new-job'
import { unionOf } from '@/core/kinds/volume/join'
import { planOf, type RoofPlane } from '@/core/roof/plane'
import { type Site } from '@/core/site/site'
import { toDegrees } from '@/core/model/units'
import { summarise } from '@/core/readers/summary'
import { siteStage } from '@/core/stages/site'
import { mappedFaces, sunMapStage } from '@/core/stages/sun-map'
import { fittedJob, trueJob } from '@/town/practice/as-job'
import { housesEach, practiceHouse, practiceKinds, type PracticeHouse } from '@/town/practice/houses'
import { surveyed } from '@/town/practice/survey'
import { runOf, worldOf } from '@/town/testing'

/** Seeds that nothing was developed on. */
const seeds = [8101, 8102]
const every = 7
const cellM = 0.25
/** Planes of two houses are one where they look alike, and their middles are no farther apart, m. */
const [alikeNormals, nearM] = [0.2, 2]

/** Houses with fewer modules tell of their inverter rather than of their roof. */
const leastModules = 6

interface Figures {
  readonly modules: number
  readonly kwhPerKwp: number
  /** Of the light on the modules. */
  readonly shade: number
}

/** A job with usual distances from edges: those of some authorities leave room for few modules on small roofs. */
function usuallySetBack({ house, options }: Job): { readonly house: Objects; readonly option: Objects } {
  const { cover, ...others } = options[0]?.objects ?? {}
  return {
    house,
    option:
      cover?.kind === 'cover'
        ? { ...others, cover: { ...cover, setbacksM: defaultCover.setbacksM } }
        : others,
  }
}

const middleOf = ({ corners }: RoofPlane): Vec2 => centroid(planOf(corners))

/** Arrays on the planes of a house that lie where those of another do. */
function arraysLike(arrays: readonly PanelArray[], from: Site, to: Site): PanelArray[] {
  const faces = (site: Site) =>
    site.objects.flatMap(({ id, geometry: { faded, faces: own } }) =>
      faded ? [] : own.map((face) => ({ id, face })),
    )
  return arrays.flatMap((array) => {
    const plane = faces(from).find(({ id, face }) => id === array.volumeId && isOf(face, array))?.face
    if (!plane) return []
    const [nearest] = faces(to)
      .filter(
        ({ face }) =>
          Math.hypot(...[0, 1, 2].map((k) => (face.normal[k] ?? 0) - (plane.normal[k] ?? 0))) < alikeNormals,
      )
      .map((one) => ({ ...one, awayM: distance2(middleOf(one.face), middleOf(plane)) }))
      .sort((p, q) => p.awayM - q.awayM)
    if (!nearest || nearest.awayM >= nearM) return []
    const { id, face } = nearest
    const like = { ...array, volumeId: id, edgeIndex: face.edgeIndex, step: face.step }
    // Rows on a level roof run along its first side, and outlines begin where they happen to.
    return [plane.pitchDeg < 1 ? { ...like, turnDeg: turnFrom(face, plane) } : like]
  })
}

/** How far the rows of one plane are turned from those of another, degrees clockwise. */
function turnFrom(own: RoofPlane, other: RoofPlane): number {
  const [from, to] = [own, other].map(({ corners: [a, b] }) =>
    a && b ? toDegrees(Math.atan2(b[1] - a[1], b[0] - a[0])) : 0,
  )
  return (((((from ?? 0) - (to ?? 0) + 540) % 360) + 360) % 360) - 180
}

const isOf = (face: RoofPlane, { edgeIndex, step }: PanelArray) =>
  face.edgeIndex === edgeIndex && face.step === step

/** A house with modules on given planes, computed to the end. */
async function figuresOf(house: Objects, option: Objects, arrays: readonly PanelArray[]): Promise<Figures> {
  const world = await worldOf(house, { ...option, ...byId(arrays) })
  const { count: modules, powerW, chain } = summarise(runOf(world), world)
  return {
    modules,
    kwhPerKwp: chain.ac.kwh / (powerW / 1000),
    shade: chain.lost.shade.kwh / chain.sun.kwh,
  }
}

/** The planes worth covering of a house as it is, as one press covers them, and the same planes as they were read. */
async function compared(place: PracticeHouse, found: FoundAround) {
  const [truth, fitted] = [usuallySetBack(trueJob(place)), usuallySetBack(fittedJob(place, found))]
  const run = runOf(await worldOf(truth.house, truth.option))
  const site = run.value(siteStage)
  const maps = run.value(sunMapStage)
  const faces = mappedFaces(site.objects).flatMap(({ face }, k) => {
    const map = maps[k]?.value[0]
    return map ? [{ face, map }] : []
  })
  let count = 0
  const arrays = goodPlanes(site, truth.option, bySunMap(faces), () => ++count / 1000)
  const read = runOf(await worldOf(fitted.house, fitted.option)).value(siteStage)
  return {
    truth: await figuresOf(truth.house, truth.option, arrays),
    fitted: await figuresOf(fitted.house, fitted.option, arraysLike(arrays, site, read)),
  }
}

const off = { kwh: [] as number[], shade: [] as number[], modules: [] as number[] }
for (const seed of seeds)
  for (const kind of practiceKinds)
    for (let number = 0; number < housesEach; number += every) {
      const place = practiceHouse(seed, kind, number)
      const { grid, code, corner } = surveyed(place, {
        cellM,
        noiseM: 0.08,
        seed: seed * 1000 + number,
        reachM: 42,
      })
      const tiff = heightsTiff(grid.heights, grid.columns, grid.rows, code, corner, cellM)
      const file = await openHeights(tiff.slice().buffer, 'heights')
      const others = place.lots
        .filter((lot) => lot.number !== place.lot.number)
        .map(({ volumes }) => unionOf(volumes.map(({ outline }) => outline)))
      const found = await fitAround(file, place.origin, { outline: place.outline, others }, () => undefined)
      const { truth, fitted } = await compared(place, found)
      if (truth.modules < leastModules) continue
      off.kwh.push(Math.abs(fitted.kwhPerKwp / truth.kwhPerKwp - 1))
      off.shade.push(Math.abs(fitted.shade - truth.shade))
      off.modules.push(Math.abs(fitted.modules - truth.modules))
      if (process.argv.includes('--each')) console.log(seed, kind, number, truth, fitted)
    }

const percent = (share: number) => `${(100 * share).toFixed(2)} %`
const at = (values: number[], share: number) => {
  values.sort((a, b) => a - b)
  return values[Math.min(values.length - 1, Math.floor(share * values.length))] ?? NaN
}
console.log(
  `fit, cells of ${cellM} m, ${off.kwh.length} houses, every good plane covered: energy of a kilowatt off by ` +
    `${percent(at(off.kwh, 0.5))} in the middle, ${percent(at(off.kwh, 0.95))} at the 95th percentile, ` +
    `${percent(at(off.kwh, 1))} at most; shade by ${percent(at(off.shade, 0.5))}, ${percent(at(off.shade, 0.95))} and ` +
    `${percent(at(off.shade, 1))} of the light; modules by ${at(off.modules, 0.5)}, ${at(off.modules, 0.95)} and ` +
    `${at(off.modules, 1)}`,
)
