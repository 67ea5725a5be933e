import { bestGrid, type Grid } from './aligned'
import { placesOfGrid, placesOfStack, type Place } from './places'
import { stack, type Stacked } from './stack'
import { flipped, type Orientation, type Strips } from './strips'

/** A module's lower left corner on the plane, its size as it lies, and its place counted in rows and columns. */
export interface Cell {
  readonly u: number
  readonly v: number
  readonly widthM: number
  readonly heightM: number
  readonly orientation: Orientation
  readonly row: number
  readonly column: number
}

/** Part of a layout: how many it holds, and where. */
export interface Part {
  readonly count: number
  readonly cells: () => Cell[]
}

export const nothing: Part = { count: 0, cells: () => [] }

/** Strips of every orientation wanted, one way across the field, and how their places are told on the plane. */
export interface Way {
  readonly kinds: readonly Strips[]
  readonly onPlane: (place: Place) => Cell
  /** What its strips are counted as. */
  readonly across: 'row' | 'column'
  /** The most in strips of any kind up to every height, from the low end and from the other one. */
  readonly forth: () => readonly Stacked[]
  readonly back: () => readonly Stacked[]
}

function once<T>(work: () => T): () => T {
  let known: { readonly value: T } | null = null
  return () => (known ??= { value: work() }).value
}

const stacks = (kinds: readonly Strips[]): Pick<Way, 'forth' | 'back'> => ({
  forth: once(() => stack(kinds)),
  back: once(() => stack(kinds.map(flipped))),
})

/** Strips as rows. */
export const asRows = (kinds: readonly Strips[]): Way => ({
  kinds,
  ...stacks(kinds),
  across: 'row',
  onPlane: ({ along, foot, strip, place, strips: { widthM, heightM, orientation } }) => ({
    u: along,
    v: foot,
    widthM,
    heightM,
    orientation,
    row: strip,
    column: place,
  }),
})

/** Strips of a field with its axes swapped, as columns. */
export const asColumns = (kinds: readonly Strips[]): Way => ({
  kinds,
  ...stacks(kinds),
  across: 'column',
  onPlane: ({ along, foot, strip, place, strips: { widthM, heightM, orientation } }) => ({
    u: foot,
    v: along,
    widthM: heightM,
    heightM: widthM,
    orientation,
    row: place,
    column: strip,
  }),
})

export const better = (one: Part, other: Part): Part => (other.count > one.count ? other : one)

export const ofGrid = (grid: Grid | null, { onPlane }: Way): Part =>
  grid ? { count: grid.count, cells: () => placesOfGrid(grid).map(onPlane) } : nothing

export const ofStack = (top: Stacked | null, { onPlane }: Way): Part =>
  top ? { count: top.count, cells: () => placesOfStack(top).map(onPlane) } : nothing

/** The best strict grid of any kind; null when none holds more than `atLeast`. */
export const mostOf = (kinds: readonly Strips[], atLeast: number): Grid | null =>
  kinds.reduce<Grid | null>((best, kind) => bestGrid(kind, best?.count ?? atLeast) ?? best, null)

/** Two parts as one, the upper's places counted on from the lower's. */
export const joined = ({ across }: Way, lower: Part, upper: Part): Part => ({
  count: lower.count + upper.count,
  cells: () => {
    const [first, second] = [lower.cells(), upper.cells()]
    const past = Math.max(-1, ...first.map((cell) => cell[across])) + 1
    return [...first, ...second.map((cell) => ({ ...cell, [across]: cell[across] + past }))]
  },
})
