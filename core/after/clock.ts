import { type MadeSpan } from './made'

/** Clocks of files are off by no more than this, h. */
const mostHours = 14
/** How much closer the other clock must fit before it is believed. */
const clearly = 0.01

/**
 * By how many hours a file's clock is ahead of standard time at the house: the shift at which what was made follows best
 * what the sun gave. 0 where no other is clearly better, or where there are too few hours to tell.
 * @param expectedAt kWh of an hour since 1970; NaN where it is not known
 */
export function clockAhead(spans: readonly MadeSpan[], expectedAt: (hour: number) => number): number {
  if (spans.length < 24 * 7) return 0
  const fit = (shift: number) => correlation(spans, (hour) => expectedAt(hour - shift))
  const asIs = fit(0)
  let best = { shift: 0, fit: asIs }
  for (let shift = -mostHours; shift <= mostHours; shift++) {
    const own = shift === 0 ? asIs : fit(shift)
    if (own > best.fit) best = { shift, fit: own }
  }
  return best.fit > asIs + clearly ? best.shift : 0
}

function correlation(spans: readonly MadeSpan[], at: (hour: number) => number): number {
  let [n, x, y, xx, yy, xy] = [0, 0, 0, 0, 0, 0]
  for (const { fromHour, kwh } of spans) {
    const other = at(fromHour)
    if (Number.isNaN(other)) continue
    n++
    x += kwh
    y += other
    xx += kwh * kwh
    yy += other * other
    xy += kwh * other
  }
  const spread = Math.sqrt((n * xx - x * x) * (n * yy - y * y))
  return n === 0 || spread === 0 ? -1 : (n * xy - x * y) / spread
}
