/** CO2 that a grown tree takes up in a year, kg (European Environment Agency 2011). */
const kgPerTree = 22
/** CO2 of a car, kg per kilometre: 400 g a mile (US Environmental Protection Agency 2023, 420-F-23-014). */
const kgPerCarKm = 0.4 / 1.609344

/** CO2 that energy from the grid would have come with, and what else comes to as much. */
export interface Avoided {
  readonly kg: number
  /** Grown trees for a year. */
  readonly trees: number
  readonly carKm: number
}

/** @param kgPerKwh what a kWh from the grid emits */
export function avoidedBy(kwh: number, kgPerKwh: number): Avoided {
  const kg = kwh * kgPerKwh
  return { kg, trees: kg / kgPerTree, carKm: kg / kgPerCarKm }
}
