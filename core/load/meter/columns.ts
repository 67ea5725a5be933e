/** What a column of a meter's table holds. */
export type MeterUnit = 'kWh' | 'Wh' | 'MWh' | 'kW' | 'W'

const kwhIn: Readonly<Record<MeterUnit, (value: number, hours: number) => number>> = {
  kWh: (value) => value,
  Wh: (value) => value / 1000,
  MWh: (value) => value * 1000,
  kW: (value, hours) => value * hours,
  W: (value, hours) => (value / 1000) * hours,
}

export const toKwh = (value: number, unit: MeterUnit, stepMinutes: number): number =>
  kwhIn[unit](value, stepMinutes / 60)

/** The unit that a heading names; null where it names none. */
export function unitIn(heading: string): MeterUnit | null {
  const found = /(?<![a-z])(mwh|kwh|wh|kw|w)(?![a-z])/i.exec(heading)
  const name = found?.[1]?.toLowerCase()
  const units = { mwh: 'MWh', kwh: 'kWh', wh: 'Wh', kw: 'kW', w: 'W' } as const
  return name !== undefined && name in units ? units[name as keyof typeof units] : null
}

const used =
  /consum|usage|import|deliver(?!ed to grid)|from.?grid|load|demand|purchas|bezug|verbrauch|energy|active|value|read|kwh/i
const others =
  /export|generat|produc|receiv|solar|feed|to.?grid|return|reactive|kvar|cost|price|amount|[$€£]|temp|power factor|voltage|reverse|quality|status|flag|estimat|^(day|hour|year|month|week|interval|minutes)\b|meter (id|no|num)|serial|nmi|account|net/i

/** How likely a column holds what a house takes from the grid; below zero it does not. */
export const likelihood = (heading: string): number =>
  (used.test(heading) ? 2 : 0) +
  (unitIn(heading) ? 1 : 0) +
  (/consum|usage|import/i.test(heading) ? 2 : 0) -
  (others.test(heading) ? 4 : 0)

const made = /generat|produc|solar|yield|inverter|(?<![a-z])pv(?![a-z])/i
const notMade =
  /consum|usage|import|export|purchas|deliver|receiv|feed|grid|load|battery|charg|reactive|kvar|cost|price|amount|[$€£]|temp|irradia|power factor|voltage|current|quality|status|flag|^(day|hour|year|month|week|interval|minutes)\b|serial|account|net/i

/** How likely a column holds what modules have made; below zero it does not. */
export const madeLikelihood = (heading: string): number =>
  (made.test(heading) ? 3 : 0) +
  (/energy|power|value|read|total/i.test(heading) ? 1 : 0) +
  (unitIn(heading) ? 1 : 0) -
  (notMade.test(heading) ? 4 : 0)

/** Whether a heading speaks of a meter's counter and not of what went through it. */
export const isCounterHeading = (heading: string): boolean =>
  /register|counter|cumulat|meter reading|index|total/i.test(heading)

/** Whether numbers hardly ever do other than rise, as a counter does. @param fallShare how often they may fall */
export function isCounter(values: readonly number[], fallShare = 1 / 1000): boolean {
  const known = values.filter((value) => !Number.isNaN(value))
  if (known.length < 24) return false
  let [falls, rises] = [0, 0]
  for (let k = 1; k < known.length; k++) {
    const change = (known[k] ?? 0) - (known[k - 1] ?? 0)
    if (change < 0) falls++
    if (change > 0) rises++
  }
  return falls <= known.length * fallShare && rises > known.length / 4
}

/** What went through a counter between its readings; where it falls it was changed or has run over. */
export function countedUp(values: readonly number[]): { kwh: number[]; falls: number[] } {
  const falls: number[] = []
  const kwh = values.map((value, k) => {
    const next = values[k + 1]
    if (next === undefined) return NaN
    if (next < value) falls.push(k)
    return next < value ? NaN : next - value
  })
  return { kwh, falls }
}
