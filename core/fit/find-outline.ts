import { signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { cellOf, type HeightGrid } from '../heights/raster'
import { Fault } from '../model/fault'
import { borderOf } from './border'
import { heightOn, type Flat } from './flat'
import { groundUnder } from './ground'
import { grownRegions, none } from './grow'
import { sidesAlong } from './sides'
import { around, groupsOf, surveyOf, usefulGrid, type Survey } from './survey'
import { treesAround } from './trees'

/** What lies lower over the ground is no house, m. */
const lowestM = 1.8
/** A building is at least as large, m2. */
const leastBuildingM2 = 16
/** How far from the place a building may be and still be the one that is meant, m. */
export const searchedM = 12
/** What is thinner is no part of a house: a fence or a hedge that touches it, m. */
const thinM = 1.2
/** A crown has less than this share of its cells in planes. */
const planeShare = 0.6
/** Smaller stretches that lie in a plane are found in crowns too, m2. */
const leastPlaneM2 = 3
/** Planes end this far before their borders, as there are too few cells around to tell, m; so near to them cells go on in them, m. */
const [borderM, leastNearM] = [0.9, 0.2]

/** Buildings that were found in heights: counter-clockwise outlines, in the frame of the grid. */
export interface FoundBuildings {
  /** The one at the place that was asked about. */
  readonly house: readonly Vec2[]
  /** The others that lie in the grid as a whole. */
  readonly others: readonly (readonly Vec2[])[]
}

/**
 * The outlines of buildings from heights alone: of what stands high over the ground and is no tree the border is followed,
 * and sides are laid along it.
 * @param near metres east and north, in the frame of the grid: the house is there, or the nearest building
 * @throws Fault `no-building-here`, `heights-cut-building`
 */
export function buildingsAt(measured: HeightGrid, near: Vec2): FoundBuildings {
  const { survey, groups } = builtGroups(measured)
  const cells = buildingAt(survey, groups, near)
  if (!cells) throw new Fault('no-building-here', { within: { value: searchedM, unit: 'm' } }, 'heights')
  if (isCut(survey, cells)) throw new Fault('heights-cut-building', {}, 'heights')
  return {
    house: outlineOf(survey, cells),
    others: wholeOnes(
      survey,
      groups.filter((one) => one !== cells),
    ),
  }
}

/** The outlines of all buildings that lie in a grid as a whole. */
export function buildingsIn(measured: HeightGrid): (readonly Vec2[])[] {
  const { survey, groups } = builtGroups(measured)
  return wholeOnes(survey, groups)
}

/** Cells of buildings, group by group. */
function builtGroups(measured: HeightGrid): { readonly survey: Survey; readonly groups: number[][] } {
  const survey = surveyOf(usefulGrid(measured), [])
  const built = withoutThin(survey, builtOn(survey))
  const groups = groupsOf(survey.grid, (k) => built[k] === 1).filter(
    (cells) => cells.length * survey.sideM ** 2 >= leastBuildingM2,
  )
  return { survey, groups }
}

const isCut = ({ grid }: Survey, cells: readonly number[]) => cells.some((k) => isOnBorder(grid, k))

const wholeOnes = (survey: Survey, groups: readonly number[][]) =>
  groups.filter((cells) => !isCut(survey, cells)).map((cells) => outlineOf(survey, cells))

/** The outline around connected cells, its first corner the one farthest to the south-west. */
function outlineOf({ grid, sideM }: Survey, cells: readonly number[]): Vec2[] {
  const own = withoutHoles(grid, cells)
  const border = borderOf(grid, (k) => own[k] === 1, cells[0] ?? 0)
  const ring = sidesAlong(signedArea(border) < 0 ? border.reverse() : border, sideM)
  const first = ring.reduce((best, [x, y], i) => {
    const [bx, by] = ring[best] ?? [x, y]
    return x + y < bx + by ? i : best
  }, 0)
  return [...ring.slice(first), ...ring.slice(0, first)]
}

/** 1 for cells that stand high over the ground and belong to no tree; gaps among them are filled as their neighbours are. */
function builtOn(survey: Survey): Uint8Array {
  const { grid, x, y, z } = survey
  const ground = groundUnder(survey)
  const high = Uint8Array.from(z, (height, k) =>
    height - heightOn(ground, x[k] ?? 0, y[k] ?? 0) > lowestM ? 1 : 0,
  )
  const built = Uint8Array.from(high)
  for (const k of leavesAmong(survey, ground, high)) built[k] = 0
  const gaps = groupsOf(grid, (k) => Number.isNaN(z[k]))
  for (const gap of gaps) {
    const beside = gap.flatMap((k) => around(grid, k)).filter((k) => !Number.isNaN(z[k]))
    if (2 * beside.filter((k) => built[k]).length > beside.length) for (const k of gap) built[k] = 1
  }
  return built
}

/**
 * The cells of trees: of what is round and not of planes as a small hipped roof is, and of what is in no plane and too
 * thick for a parapet, as a crown that hangs over a roof.
 */
function leavesAmong(survey: Survey, ground: Flat, high: Uint8Array): number[] {
  const planes = planesAmong(survey, high)
  const { crowns, isTree } = treesAround(survey, ground, survey.inside)
  const cells = isTree.map((): number[] => [])
  crowns.forEach((crown, k) => cells[crown]?.push(k))
  const round = cells.filter(
    (own, crown) => isTree[crown] && own.filter((k) => planes[k]).length < planeShare * own.length,
  )
  const thick = withoutThin(
    survey,
    high.map((isHigh, k) => (isHigh && !planes[k] ? 1 : 0)),
  )
  return [...round.flat(), ...[...thick.keys()].filter((k) => thick[k] === 1)]
}

/** 1 for high cells that lie in planes, and along their borders for those that go on in them. */
function planesAmong(survey: Survey, high: Uint8Array): Uint8Array {
  const { grid, x, y, z, sideM } = survey
  const { regions, labels, scatterM } = grownRegions({ ...survey, inside: high })
  const nearM = Math.max(leastNearM, 3 * scatterM)
  const isLarge = regions.map(({ sums }) => sums.n * sideM ** 2 >= leastPlaneM2)
  labels.forEach((label, k) => {
    if (isLarge[label] !== true) labels[k] = none
  })
  let edge = [...labels.keys()].filter((k) => labels[k] !== none)
  for (let widthM = 0; widthM < borderM; widthM += sideM) {
    const next: number[] = []
    for (const k of edge)
      for (const j of around(grid, k, true)) {
        const flat = regions[labels[k] ?? none]?.flat
        if (!high[j] || labels[j] !== none || !flat) continue
        if (Math.abs((z[j] ?? 0) - heightOn(flat, x[j] ?? 0, y[j] ?? 0)) > nearM) continue
        labels[j] = labels[k] ?? none
        next.push(j)
      }
    edge = next
  }
  return Uint8Array.from(labels, (label) => (label === none ? 0 : 1))
}

/** Cells that a square of a given width fits over, all of it high, and corners that it does not reach into: fences and wires go. */
function withoutThin(survey: Survey, built: Uint8Array): Uint8Array {
  const kept = underSquares(survey, built)
  // A corner that points along rows or columns is cut off half the square's width deep.
  for (let depthM = 0; depthM < thinM / 2; depthM += survey.sideM) {
    const beside = [...kept.keys()].filter(
      (k) => built[k] && !kept[k] && around(survey.grid, k, true).some((j) => kept[j]),
    )
    for (const k of beside) kept[k] = 1
  }
  return kept
}

function underSquares({ grid, sideM }: Survey, built: Uint8Array): Uint8Array {
  const width = Math.max(2, Math.round(thinM / sideM))
  const { columns, rows } = grid
  const kept = new Uint8Array(built.length)
  // Sums over all cells above and to the left, so that a square is asked about in one step.
  const wide = columns + 1
  const sums = new Int32Array(wide * (rows + 1))
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      sums[(row + 1) * wide + column + 1] =
        (built[row * columns + column] ?? 0) +
        (sums[row * wide + column + 1] ?? 0) +
        (sums[(row + 1) * wide + column] ?? 0) -
        (sums[row * wide + column] ?? 0)
  for (let row = 0; row + width <= rows; row++)
    for (let column = 0; column + width <= columns; column++) {
      const [top, bottom] = [row * wide, (row + width) * wide]
      const all =
        (sums[bottom + column + width] ?? 0) -
        (sums[top + column + width] ?? 0) -
        (sums[bottom + column] ?? 0) +
        (sums[top + column] ?? 0)
      if (all < width * width) continue
      for (let r = row; r < row + width; r++) kept.fill(1, r * columns + column, r * columns + column + width)
    }
  return kept
}

/** The cells of the building at a place, or of the nearest that may be meant. */
function buildingAt({ grid, x, y }: Survey, groups: readonly number[][], near: Vec2): number[] | null {
  const [column, row] = cellOf(grid, near).map(Math.round)
  const here = (row ?? 0) * grid.columns + (column ?? 0)
  let [best, leastM]: [number[] | null, number] = [null, searchedM]
  for (const cells of groups) {
    const awayM = cells.includes(here)
      ? 0
      : cells.reduce(
          (m, k) => Math.min(m, Math.hypot((x[k] ?? 0) - near[0], (y[k] ?? 0) - near[1])),
          Infinity,
        )
    if (awayM < leastM) [best, leastM] = [cells, awayM]
  }
  return best
}

function isOnBorder({ columns, rows }: HeightGrid, k: number): boolean {
  const column = k % columns
  return column === 0 || column === columns - 1 || k < columns || k >= columns * (rows - 1)
}

/** 1 for the cells of a group and those it goes around. */
function withoutHoles(grid: HeightGrid, cells: readonly number[]): Uint8Array {
  const own = new Uint8Array(grid.columns * grid.rows)
  for (const k of cells) own[k] = 1
  for (const hole of groupsOf(grid, (k) => own[k] === 0))
    if (!hole.some((k) => isOnBorder(grid, k))) for (const k of hole) own[k] = 1
  return own
}
