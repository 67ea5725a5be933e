/** A year of a battery's life as it is run. */
export interface LivedYear {
  /** What came out of it. */
  readonly dischargedKwh: number
}

export interface Warranty {
  readonly years: number | undefined
  /** Out of all batteries together. */
  readonly kwh: number | undefined
}

/** When a warranty is over: years from the beginning, and whether its years or its energy end it. */
export interface WarrantyEnd {
  readonly years: number
  readonly by: 'age' | 'use'
}

/**
 * @param lived the years from when it is new until it is replaced
 * @returns null where it outlives these years, or nothing is known of it
 */
export function warrantyEnd(lived: readonly LivedYear[], { years, kwh }: Warranty): WarrantyEnd | null {
  const used = kwh === undefined ? null : yearsUntil(lived, kwh)
  if (used !== null && (years === undefined || used < years)) return { years: used, by: 'use' }
  return years !== undefined && years <= lived.length ? { years, by: 'age' } : null
}

/** Years until so much has come out, a part of the last one in proportion; null where it is never so much. */
function yearsUntil(lived: readonly LivedYear[], kwh: number): number | null {
  let out = 0
  for (const [year, { dischargedKwh }] of lived.entries()) {
    if (out + dischargedKwh >= kwh) return year + (kwh - out) / dischargedKwh
    out += dischargedKwh
  }
  return null
}
