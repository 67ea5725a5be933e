/** How a battery ages: shares of what it still holds. */
export interface Fade {
  /** Lost in a year, whatever it does. */
  readonly perYear: number
  /** Lost with each full cycle: as much out of it as it held when new. */
  readonly perCycle: number
}

/** Where neither an offer nor a data sheet says how a battery ages. */
export const usualFade: Fade = { perYear: 0.02, perCycle: 0 }

/** As it was typed for an offer; by the data sheet where nothing was; the usual where that does not say either. */
export function fadeOf(
  typed: number | null,
  { fadePerYear, fadePerCycle }: { readonly fadePerYear?: number; readonly fadePerCycle?: number },
): Fade {
  if (typed !== null) return { perYear: typed, perCycle: 0 }
  if (fadePerYear === undefined && fadePerCycle === undefined) return usualFade
  return { perYear: fadePerYear ?? 0, perCycle: fadePerCycle ?? 0 }
}

/** Share of what it held new that is left after one more year with so many full cycles. */
export const leftAfterYear = (left: number, { perYear, perCycle }: Fade, cycles: number): number =>
  left * (1 - perYear) * (1 - perCycle) ** cycles
