import { Fault } from '@/core/model/fault'

/**
 * Months as they are typed: "6-9", "12, 1, 2"; over New Year where the first comes later; none for all.
 * @returns 1 to 12, rising
 * @throws Fault `bad-months`
 */
export function readMonths(text: string): readonly number[] {
  const found = new Set<number>()
  for (const part of text.split(/[,;\s]+/).filter((one) => one !== '')) {
    const span = /^(\d{1,2})(?:[-–](\d{1,2}))?$/.exec(part)
    const [from, to] = [Number(span?.[1]), Number(span?.[2] ?? span?.[1])]
    if (!(from >= 1 && from <= 12 && to >= 1 && to <= 12)) throw new Fault('bad-months')
    for (let month = from; ; month = (month % 12) + 1) {
      found.add(month)
      if (month === to) break
    }
  }
  return found.size === 12 ? [] : [...found].sort((a, b) => a - b)
}

/** The same written out. */
export function shownMonths(months: readonly number[]): string {
  const spans: [number, number][] = []
  for (const month of months) {
    const last = spans.at(-1)
    if (last && last[1] === month - 1) last[1] = month
    else spans.push([month, month])
  }
  return spans.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)).join(', ')
}
