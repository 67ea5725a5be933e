import { type Compared } from './compare'

/** A power that nothing goes above any more, although the light would give it. */
export interface Lid {
  /** First day it was met, since 1970. */
  readonly day: number
  readonly kw: number
}

type HourCompared = Compared & { readonly fromHour: number }

/** Hours at the lid are no farther from it than this; what would be made must be clearly above. */
const at = 0.015
const above = 1.08
/** So many hours must have met it, and so large a share of those that would be above. */
const leastHours = 12
const leastShare = 0.7
const dayHours = 24

/** The hours of the last of the year's bright days tell whether there is a lid, and since when. */
export function lidOf(hours: readonly HourCompared[]): Lid | null {
  const brightest = hours.reduce((most, { expectedKwh }) => Math.max(most, expectedKwh), 0)
  const bright = hours.filter(({ expectedKwh }) => expectedKwh > 0.5 * brightest)
  const last = bright.slice(-Math.max(leastHours * 4, Math.floor(bright.length / 6)))
  const kw = last.reduce((most, { madeKwh }) => Math.max(most, madeKwh), 0)
  if (kw === 0) return null
  // The last hour that went above: the lid came after it.
  const over = hours.findLastIndex(({ madeKwh }) => madeKwh > kw * (1 + 2 * at))
  const since = hours.slice(over + 1)
  const wouldBe = since.filter(({ expectedKwh }) => expectedKwh > kw * above)
  const met = wouldBe.filter(({ madeKwh }) => madeKwh > kw * (1 - at))
  const [first] = met
  if (!first || met.length < leastHours || met.length < leastShare * wouldBe.length) return null
  return { day: Math.floor(first.fromHour / dayHours), kw }
}
