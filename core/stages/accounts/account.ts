import { type Check, type Explanation, type LedgerLine, type LineId, type Term } from '../../model/ledger'
import { type Datum, type Unit } from '../../model/said'

/** What a stage tells a person of its results: lines of the ledger with their explanations, and broken rules. */
export interface Account {
  readonly lines: readonly LedgerLine[]
  readonly checks: readonly Check[]
}

/** A line of the chain from sunlight to the house: kWh, the more the better. */
export const energyLine = (
  id: LineId,
  value: number,
  weight: LedgerLine['weight'],
  explanation: Explanation,
  about: readonly string[] = [],
): LedgerLine => ({ id, group: 'sun', value, unit: 'kWh', weight, better: 'more', explanation, about })

export const lossLine = (
  id: LineId,
  lostKwh: number,
  explanation: Explanation,
  about: readonly string[] = [],
): LedgerLine => energyLine(id, -lostKwh, 'loss', explanation, about)

/** A measured input. */
export const term = (code: Term['code'], value: number, unit: Unit, digits?: number): Term => ({
  code,
  value: { value, unit, ...(digits === undefined ? {} : { digits }) },
})

/** Shares by month: the one, or from the least to the greatest. */
export function monthsTerm(code: Term['code'], shares: readonly number[]): Term {
  const [low, high] = [Math.min(...shares), Math.max(...shares)]
  const share = (value: number): Datum => ({ value, unit: 'share', digits: 2 })
  return {
    code,
    value: low === high ? share(low) : { code: 'range', data: { low: share(low), high: share(high) } },
  }
}
