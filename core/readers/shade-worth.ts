import { type RunSummary } from './summary'

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)

/**
 * What a kWh of rated energy that reaches the modules saves on the bill of the first year: the whole saving by all the
 * light that is left. 0 where none is.
 */
export function worthOfLight({ chain, monthly }: Pick<RunSummary, 'chain' | 'monthly'>): number {
  const left = chain.sun.kwh - chain.lost.reflection.kwh - chain.lost.shade.kwh
  return left > 0 ? (sum(monthly.billBefore) - sum(monthly.billAfter)) / left : 0
}
