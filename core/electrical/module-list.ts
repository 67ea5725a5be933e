import { type ModuleType } from './catalogue'
import { saysAll, sortedSheets } from './sheet-list'

/** What modules of a catalogue are looked for. */
export interface ModuleFilter {
  /** Words that maker and name hold, in whatever order and case. */
  readonly text: string
  readonly colour: NonNullable<ModuleType['colour']> | 'any'
  readonly leastW: number
  readonly mostLengthM: number
}

/** What a list of modules is sorted by. */
export const moduleFigures = [
  'name',
  'powerW',
  'areaM2',
  'efficiency',
  'powerPerK',
  'weightKg',
  'price',
  'pricePerW',
] as const
export type ModuleFigure = (typeof moduleFigures)[number]

export const areaM2 = ({ widthM, lengthM }: ModuleType): number => widthM * lengthM

/** Share of 1 kW/m² that becomes power. */
export const efficiency = (module: ModuleType): number => module.powerW / (1000 * areaM2(module))

export const pricePerW = ({ price, powerW }: ModuleType): number => price / powerW

const figures: Readonly<Record<Exclude<ModuleFigure, 'name'>, (module: ModuleType) => number | undefined>> = {
  powerW: ({ powerW }) => powerW,
  areaM2,
  efficiency,
  powerPerK: ({ powerPerK }) => powerPerK,
  weightKg: ({ weightKg }) => weightKg,
  price: ({ price }) => price,
  pricePerW,
}

/**
 * Modules that are looked for, sorted by a figure. Those whose sheet does not say it come last either way; what is equal
 * keeps the catalogue's order.
 */
export function listModules(
  modules: readonly ModuleType[],
  { text, colour, leastW, mostLengthM }: ModuleFilter,
  by: ModuleFigure,
  down: boolean,
): ModuleType[] {
  const found = modules.filter(
    (module) =>
      saysAll(module, text) &&
      (colour === 'any' || module.colour === colour) &&
      module.powerW >= leastW &&
      module.lengthM <= mostLengthM,
  )
  return sortedSheets(found, by === 'name' ? null : figures[by], down)
}
