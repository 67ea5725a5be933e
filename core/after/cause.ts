import { type Compared } from './compare'

/** What a change looks like, as far as its hours tell. */
export type Cause =
  /** As much less at every hour: of that many strings, or of the whole. */
  | { readonly is: 'string'; readonly stringId: string; readonly share: number }
  | { readonly is: 'even' }
  | { readonly is: 'morning' }
  | { readonly is: 'afternoon' }
  /** It makes more than before. */
  | { readonly is: 'better' }
  /** Days or months alone do not tell. */
  | { readonly is: 'untold' }

type HourCompared = Compared & { readonly fromHour: number }

/** How near to a string's share a loss must be to be called by it. */
const stringNear = 0.02
/** One half of the day has lost clearly more than the other. */
const sideStep = 0.06

const shareOf = (hours: readonly HourCompared[]): number => {
  const expected = hours.reduce((sum, { expectedKwh }) => sum + expectedKwh, 0)
  return expected === 0 ? NaN : hours.reduce((sum, { madeKwh }) => sum + madeKwh, 0) / expected
}

/** Hours before and after noon, those around it in neither. @param noonHour of the day by the sun, standard time */
function sidesOf(hours: readonly HourCompared[], noonHour: number) {
  const offNoon = ({ fromHour }: HourCompared) => (fromHour % 24) + 0.5 - noonHour
  return {
    morning: shareOf(hours.filter((hour) => offNoon(hour) < -1)),
    afternoon: shareOf(hours.filter((hour) => offNoon(hour) > 1)),
  }
}

/**
 * What a change looks like.
 * @param before hours of the stretch before, and `after` of the one that follows
 * @param strings the share each gives in a year
 * @param noonHour when the sun is highest, by standard time
 */
export function causeOf(
  before: readonly HourCompared[],
  after: readonly HourCompared[],
  strings: readonly { readonly id: string; readonly share: number }[],
  noonHour: number,
): Cause {
  const [was, is] = [shareOf(before), shareOf(after)]
  if (is > was) return { is: 'better' }
  const [old, now] = [sidesOf(before, noonHour), sidesOf(after, noonHour)]
  const side = now.morning / old.morning - now.afternoon / old.afternoon
  if (side < -sideStep) return { is: 'morning' }
  if (side > sideStep) return { is: 'afternoon' }
  const lost = 1 - is / was
  const [nearest] = strings
    .map(({ id, share }) => ({ id, share, off: Math.abs(share - lost) }))
    .sort((a, b) => a.off - b.off)
  // A single string that is all there is would be an outage.
  if (nearest && strings.length > 1 && nearest.off <= stringNear)
    return { is: 'string', stringId: nearest.id, share: nearest.share }
  return { is: 'even' }
}
