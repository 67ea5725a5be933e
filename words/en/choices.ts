import { type ArrayPart } from '@/core/kinds/array/part'
import { type Underlay } from '@/core/kinds/underlay/underlay'
import { type BarrierUse } from '@/core/kinds/barrier/barrier'
import { type LotSource } from '@/core/kinds/lot/lot'
import { type CanopyUse } from '@/core/kinds/canopy/canopy'
import { type DormerForm } from '@/core/kinds/dormer/dormer'
import { type FixtureUse } from '@/core/kinds/fixture/fixture'

/** What a fixture is. */
export const fixtureUses: Readonly<Record<FixtureUse, string>> = {
  pipe: 'vent pipe',
  vent: 'roof vent',
  dish: 'satellite dish',
  'air-conditioner': 'air-conditioning unit',
  box: 'box',
}

/** What a canopy is, how many leaves its roof has, and what they are covered with. */
export const canopyUses: Readonly<Record<CanopyUse, string>> = { carport: 'carport', pergola: 'pergola' }

/** What a barrier is. */
export const barrierUses: Readonly<Record<BarrierUse, string>> = {
  fence: 'fence',
  hedge: 'hedge',
  wall: 'wall',
}

/** Where the lines of a lot are from. */
export const lotSources: Readonly<Record<LotSource, string>> = {
  survey: 'from the survey',
  file: 'from a file',
  hand: 'by hand',
}

/** The roof of a dormer. */
export const dormerForms: Readonly<Record<DormerForm, string>> = {
  gable: 'gable dormer',
  hip: 'hipped dormer',
  shed: 'shed dormer',
  flat: 'flat dormer',
}

/** Edges of roof planes. */
export const edges = {
  eave: 'Eave',
  ridge: 'Ridge',
  rake: 'Rake',
  hip: 'Hip',
  valley: 'Valley',
  wall: 'Wall',
} as const

/** Directions an array looks, from north in steps of 45 degrees. */
export const compass = {
  n: 'North',
  ne: 'North-east',
  e: 'East',
  se: 'South-east',
  s: 'South',
  sw: 'South-west',
  w: 'West',
  nw: 'North-west',
} as const

/** Where something lies among its like. */
export const compassPlaces = {
  n: 'north',
  ne: 'north-east',
  e: 'east',
  se: 'south-east',
  s: 'south',
  sw: 'south-west',
  w: 'west',
  nw: 'north-west',
  middle: 'middle',
} as const

/** The table of roof planes. */
export const roofPlanes = {
  caption: 'Roof planes, {area}',
  plane: 'Plane',
  pitch: 'Pitch',
  azimuth: 'Azimuth',
  area: 'Area',
  name: 'Name',
  rename: 'Name of the plane',
} as const

/** What the edges of a plane are. */
export const planeEdges = {
  eave: 'Eave',
  ridge: 'Ridge',
  hip: 'Hip',
  valley: 'Valley',
  rake: 'Rake',
  wall: 'Wall',
} as const

/** What an array is laid in, where that is not the whole of its plane. */
export const arrayParts: Readonly<Record<ArrayPart['is'], string>> = {
  field: 'area',
  rows: 'rows',
}

/** What an underlay is. */
export const underlayContents: Readonly<Record<Underlay['content'], string>> = {
  picture: 'picture',
  drawing: 'drawing',
}

/** The roof of a building as a whole, and what stands around a flat one. */
export const roofForms = {
  pitched: 'pitched',
  flat: 'flat',
  parapet: 'Parapet height',
  eaveM: 'Eave overhang',
  rakeM: 'Gable overhang',
  level: 'Level',
} as const
