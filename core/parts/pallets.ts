import { type ModuleType } from '../electrical/catalogue'

/** What modules stand on in transport: edge on edge across a pallet, with a spacer between two. */
const acrossM = 1.14
const spacerM = 0.003
/** Wood, corners and straps of one. */
const emptyKg = 25

/** How so many modules travel. */
export interface Pallets {
  readonly perPallet: number
  readonly full: number
  /** Modules on one that is not full; 0 where all are. */
  readonly rest: number
  /** Room that one takes on the floor, metres. */
  readonly lengthM: number
  readonly widthM: number
  /** Of a full one, and of the one that is not; null where the sheet gives no weight. */
  readonly fullKg: number | null
  readonly restKg: number | null
}

/**
 * Pallets of modules by their thickness and weight.
 * @returns null where the sheet does not say how thick they are, or there are none
 */
export function palletsOf(
  {
    thicknessM,
    weightKg,
    lengthM,
    widthM,
  }: Pick<ModuleType, 'lengthM' | 'widthM' | 'thicknessM' | 'weightKg'>,
  count: number,
): Pallets | null {
  if (thicknessM === undefined || count <= 0) return null
  const perPallet = Math.max(1, Math.floor((acrossM + spacerM) / (thicknessM + spacerM)))
  const rest = count % perPallet
  const weighs = (modules: number) => (weightKg === undefined ? null : emptyKg + modules * weightKg)
  return {
    perPallet,
    full: Math.floor(count / perPallet),
    rest,
    lengthM: Math.max(lengthM, widthM),
    widthM: acrossM,
    fullKg: weighs(perPallet),
    restKg: rest === 0 ? null : weighs(rest),
  }
}
