import { defaultLosses, type Losses } from './losses'

/** What a module's sheet says that its first year's losses follow from. */
export interface FirstYearSheet {
  readonly cell: 'p-type' | 'n-type'
  /** The maker sorts upwards: no module has less than its rated power. */
  readonly sortedUp: boolean
}

/** Losses with nothing left to the module. */
export type SettledLosses = Omit<Losses, 'lightInduced' | 'nameplate'> &
  Readonly<Record<'lightInduced' | 'nameplate', number>>

/**
 * What light takes in the first weeks. Cells doped with boron lose about 1.5 % (Dobos 2014, NREL/TP-6A20-62641, table 5);
 * n-type cells have no boron-oxygen defects (Lindroos & Savin 2016, Sol. Energy Mater. Sol. Cells 147, 115-126).
 */
export const usualLightInduced = { 'p-type': 0.015, 'n-type': 0 } as const

/**
 * Rated power that is not there: about 1 % where the tolerance goes both ways (Dobos 2014, table 5), nothing where modules
 * are sorted upwards.
 */
const usualNameplate = 0.01
export const usualNameplateOf = ({ sortedUp }: FirstYearSheet): number => (sortedUp ? 0 : usualNameplate)

/** Losses that were left to the module, by its sheet. */
export const settledLosses = (losses: Losses, sheet: FirstYearSheet): SettledLosses => ({
  ...losses,
  lightInduced: losses.lightInduced ?? usualLightInduced[sheet.cell],
  nameplate: losses.nameplate ?? usualNameplateOf(sheet),
})

/** The defaults for a module of the usual kind, of which nothing is known. */
export const usualLosses = settledLosses(defaultLosses, { cell: 'p-type', sortedUp: false })
