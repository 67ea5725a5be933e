/**
 * What a DC-coupled battery shares with the modules: the inverter. Its figures are those at the house's side all the
 * same: what goes in is told as what would have come out of the inverter. So a kWh that never passes the inverter may
 * store more than one, and one from the grid, which passes it twice, stores less.
 */
export interface DcSide {
  /** Most that sun and battery put out together, kW. */
  readonly inverterKw: number
  /** Share of a kWh from the grid that is stored. */
  readonly gridEfficiency: number
}

/** A battery as the run sees it. Power in kW at the house's side, energy in kWh inside. */
export interface BatteryRun {
  readonly usableKwh: number
  readonly chargeKw: number
  readonly dischargeKw: number
  /** Shares that come through on the way in and on the way out. */
  readonly chargeEfficiency: number
  readonly dischargeEfficiency: number
  /** Share of the usable energy never drawn in normal running. */
  readonly reserve: number
  /** kW that it draws itself at the house's side, day and night; nothing where it is not said. */
  readonly standbyKw?: number
  /** Of a DC-coupled one; an AC-coupled one has an inverter of its own. */
  readonly dcSide?: DcSide
}

/** What the house and the sun give, one entry an interval, kWh. */
export interface HouseYear {
  readonly yieldKwh: Float64Array
  /**
   * What the inverter clips, as what would have come out of it: only a DC-coupled battery can take it.
   * Nothing where it is not said.
   */
  readonly clippedKwh?: Float64Array
  readonly loadKwh: Float64Array
  readonly stepHours: number
  /** Null without a limit. */
  readonly exportLimitKw: number | null
  /** Energy inside at the start; null where it ends as it begins. */
  readonly startKwh: number | null
}
