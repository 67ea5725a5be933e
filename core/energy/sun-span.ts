/** Times that a map tells the hours of sun in: three months and three months, or the year. */
export const sunTimes = ['hours', 'hours-dec-feb', 'hours-mar-may', 'hours-jun-aug', 'hours-sep-nov'] as const
export type SunTime = (typeof sunTimes)[number]

/** What a map is of: the light of the year, or of one of its months, 0 to 11; or the hours of sun a day. */
export type SunSpan = 'year' | number | SunTime

export const isSunTime = (span: SunSpan): span is SunTime =>
  typeof span === 'string' && span.startsWith('hours')

/** The months of a time, 0 to 11. */
export function monthsIn(time: SunTime): readonly number[] {
  const season = sunTimes.indexOf(time) - 1
  if (season < 0) return Array.from({ length: 12 }, (_, month) => month)
  return [11, 12, 13].map((month) => (month + 3 * season) % 12)
}
